// Puts the server into one file, for starting it many times: compiling it anew at each start costs more than
// starting it.
import { build } from 'esbuild';

export const SERVER_BUNDLE = '.cache/server.mjs';

export async function bundleServer() {
  await build({
    entryPoints: ['server/main.ts'],
    outfile: SERVER_BUNDLE,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    // Reading a thousand small modules is most of what a start costs. What is compiled for this machine, or
    // starts threads from files of its own, stays where it is.
    external: ['libsql', '@libsql/*', '@napi-rs/canvas', 'pino', 'pino-roll', 'tsx'],
    banner: {
      js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);",
    },
    sourcemap: 'linked',
    alias: { '@': './src' },
    logLevel: 'error',
  });
}

if (process.argv[1]?.endsWith('bundleServer.mjs')) void bundleServer();
