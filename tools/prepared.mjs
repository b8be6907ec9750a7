// After an install: makes what is made from the tables of fields, where what makes it was installed too.
import { run } from './prepare.mjs';

const isThere = await import('ajv').then(
  () => true,
  () => false,
);
if (isThere) run('npm', ['run', '-s', 'generate']);
