/** What a worker's script may do beside what all may. */
const MORE: Readonly<Record<string, string>> = {
  // the CAD kernel compiles WebAssembly and the glue that its library makes for it
  'read-model': " 'wasm-unsafe-eval' 'unsafe-eval'",
};

/**
 * The content policy of a worker's script: it reaches nothing but this server. Pages forbid code that is made
 * at run time; the one worker that holds the CAD kernel, and what reads datasheets, may make some.
 * @param path of the request
 * @returns `null` for what is no worker's script
 */
export function workerPolicy(path: string): string | null {
  const policy = (more: string) => `default-src 'none'; script-src 'self'${more}; connect-src 'self'`;
  if (path === '/offline.js') return policy('');
  // a reader of PDFs unpacks pictures, a reader of letters runs, in WebAssembly
  if (/^\/_astro\/pdf\.worker[\w.-]*\.mjs$/.test(path) || path === '/reading/letters/worker.min.js')
    return policy(" 'wasm-unsafe-eval'");
  // the build calls every worker's script so
  const [, name] = /^\/_astro\/worker-([a-z-]+)\.[\w-]+\.js$/.exec(path) ?? [];
  return name === undefined ? null : policy(MORE[name] ?? '');
}
