import { renameSync, writeFileSync } from 'node:fs';
import { Refusal } from './outcome';

/** Puts a new text in a file's place at one stroke: what goes wrong on the way leaves the old one. */
export function replace(file: string, text: string): void {
  const beside = `${file}.${process.pid}.new`;
  try {
    writeFileSync(beside, text);
    renameSync(beside, file);
  } catch (error) {
    throw new Refusal(`it cannot be written: ${(error as Error).message}`);
  }
}
