import { fail, ok, type Result } from '../../units/result';
import type { HandOver } from '../paper/frame';
import { patternTrouble, TARGETS, type ReleaseTarget } from './targets';

/** What is asked for as text, on a command line or in an address. */
export interface ReleaseAsked {
  readonly target?: string | undefined;
  readonly pattern?: string | undefined;
  readonly date?: string | undefined;
  readonly revision?: string | undefined;
  readonly paper?: string | undefined;
}

/** Reads what is asked for. @returns it, or what is wrong, beginning with the name of what is */
export function handOverFrom(
  asked: ReleaseAsked,
): Result<{ readonly target: ReleaseTarget; readonly about: HandOver }, string> {
  const { target: id, pattern, date, revision, paper } = asked;
  const target = TARGETS.find((one) => one.id === id);
  if (!target)
    return fail(
      `target is ${id === undefined ? 'missing' : `“${id}”`}; it is one of ${TARGETS.map((one) => one.id).join(', ')}.`,
    );
  const trouble = pattern === undefined ? null : patternTrouble(pattern);
  if (trouble !== null) return fail(`pattern is “${pattern}”. ${trouble}`);
  const about = aboutFrom({ date, revision, paper });
  return about.ok
    ? ok({ target: pattern === undefined ? target : { ...target, pattern }, about: about.value })
    : about;
}

/** Reads what is said of a footprint beside its document. @returns it, or what is wrong */
export function aboutFrom({
  date,
  revision,
  paper,
}: Pick<ReleaseAsked, 'date' | 'revision' | 'paper'>): Result<HandOver, string> {
  if (date !== undefined && !isDay(date)) return fail(`date is “${date}”; write a day such as 2026-05-04.`);
  if (paper !== undefined && paper !== 'a4' && paper !== 'letter')
    return fail(`paper is “${paper}”; it is a4 or letter.`);
  return ok({
    ...(date === undefined ? {} : { date }),
    ...(revision === undefined ? {} : { revision }),
    ...(paper === undefined ? {} : { paper }),
  });
}

function isDay(text: string): boolean {
  const day = new Date(`${text}T00:00:00Z`);
  return (
    /^\d{4}-\d{2}-\d{2}$/.test(text) && !Number.isNaN(day.getTime()) && day.toISOString().startsWith(text)
  );
}
