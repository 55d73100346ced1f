// Puts the server into one file, for starting it many times: compiling it anew at each start costs more than starting it.
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
    packages: 'external',
    sourcemap: 'inline',
    alias: { '@': './src' },
    logLevel: 'error',
  });
}

if (process.argv[1]?.endsWith('bundleServer.mjs')) void bundleServer();
