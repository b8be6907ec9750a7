/**
 * The content policy of a worker's script. Pages forbid code that is made at run time; the one worker
 * that holds the CAD kernel compiles WebAssembly and the glue that its library makes for it, and reaches
 * nothing but this server.
 * @param path of the request
 * @returns `null` for what is no worker's script
 */
export function workerPolicy(path: string): string | null {
  if (path === '/offline.js') return "default-src 'none'; script-src 'self'; connect-src 'self'";
  // a reader of PDFs unpacks pictures, a reader of letters runs, in WebAssembly
  if (/^\/_astro\/pdf\.worker[\w.-]*\.mjs$/.test(path) || path === '/reading/letters/worker.min.js')
    return "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; connect-src 'self'";
  const name = /^\/_astro\/(level|read-model|release|seat|simulate|write)-[\w-]+\.js$/.exec(path)?.[1];
  if (!name) return null;
  const script =
    name === 'read-model' ? "script-src 'self' 'wasm-unsafe-eval' 'unsafe-eval'" : "script-src 'self'";
  return `default-src 'none'; ${script}; connect-src 'self'`;
}
