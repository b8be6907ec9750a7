/** The script of the threads that work for requests, as the build puts it. */
declare module 'virtual:work-thread' {
  /** A `file:` address. */
  const address: string;
  export { address };
}
