// How a page and a worker speak of a job: the page asks for one by its name, the worker tells how far it is,
// and answers or says what broke it.

/** A job as a worker has it: loaded when it is asked for first. */
export type Job = () => Promise<(request: never, tell: never) => unknown>;

type Run<J extends Job> = Awaited<ReturnType<J>>;
export type RequestOf<J extends Job> = Parameters<Run<J>>[0];
export type AnswerOf<J extends Job> = Awaited<ReturnType<Run<J>>>;
export type ProgressOf<J extends Job> = Parameters<Run<J>>[1] extends (progress: infer P) => void ? P : never;

/** What a page asks. */
export interface Asked {
  /** Tells its answer from those of other jobs that the same worker was given. */
  readonly number: number;
  readonly job: string;
  readonly request: unknown;
}

/** What a worker says. */
export type Said = { readonly number: number } & (
  | { readonly progress: unknown }
  | { readonly answer: unknown }
  | { readonly broken: string }
);

/** Has this worker do jobs, one after the other as they are asked for. */
export function serveJobs(jobs: Readonly<Record<string, Job>>): void {
  const say = (said: Said) => postMessage(said);
  addEventListener('message', ({ data: { number, job, request } }: MessageEvent<Asked>) => {
    const run = async () => {
      const loaded = (await jobs[job]?.()) as
        | ((asked: unknown, tell: (progress: unknown) => void) => unknown)
        | undefined;
      if (!loaded) throw new Error(`there is no job ${job}`);
      return loaded(request, (progress) => say({ number, progress }));
    };
    run().then(
      (answer) => say({ number, answer }),
      (error: unknown) => say({ number, broken: error instanceof Error ? error.message : String(error) }),
    );
  });
}
