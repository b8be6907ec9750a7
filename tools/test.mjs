// npm test: installs what the tests need, then lint, types, unit tests and app tests.
import { build, install, run } from './prepare.mjs';

install();
const { chromium } = await import('./chromium.mjs');
process.env.CHROMIUM = chromium();
for (const step of ['lint', 'types', 'unit']) run('npm', ['run', '-s', step]);
build();
run('npm', ['run', '-s', 'app']);
