/** The script of the threads that work for requests, as the build puts it. */
declare module 'virtual:work-thread' {
  /** A `file:` address. */
  const address: string;
  export { address };
}

declare namespace App {
  /** What the server tells the endpoints beside the request. */
  interface Locals {
    /** Waits until what was answered so far is on its way; missing while developing. */
    readonly drained?: () => Promise<void>;
  }
}
