import { parentPort, workerData } from 'node:worker_threads';
import { run } from './tapis';

// One command line, in the thread that the terminal command starts for it.

const outcome = await run(workerData as string[], (text) => parentPort?.postMessage(text));
parentPort?.postMessage(outcome);
