import { serveJobs, type Job } from './serve-jobs';

/** All that the core does beside a page. To add a job, write it under `jobs/` and list it here. */
const JOBS = {
  best: async () => (await import('./jobs/best')).best,
  change: async () => (await import('./jobs/change')).change,
  costs: async () => (await import('./jobs/costs')).costs,
  differences: async () => (await import('./jobs/differences')).differences,
  facts: async () => (await import('./jobs/facts')).facts,
  level: async () => (await import('./jobs/level')).level,
  opinion: async () => (await import('./jobs/opinion')).opinion,
  propose: async () => (await import('./jobs/propose')).propose,
  readDrawing: async () => (await import('./jobs/read-drawing')).readDrawing,
  readList: async () => (await import('./jobs/read-list')).readList,
  readTable: async () => (await import('./jobs/read-table')).readTable,
  release: async () => (await import('./jobs/release')).release,
  review: async () => (await import('./jobs/review')).review,
  seat: async () => (await import('./jobs/seat')).seatModel,
  simulate: async () => (await import('./jobs/simulate')).simulateJoint,
  takeIn: async () => (await import('./jobs/take-in')).takeIn,
  write: async () => (await import('./jobs/write')).write,
} satisfies Readonly<Record<string, Job>>;

export type CoreJobs = typeof JOBS;

serveJobs(JOBS);
