/**
 * The browser tests run against the app and the server as they are served and started: both are built first
 * when stale.
 */
module.exports = async () => {
  const { build } = await import('../scripts/build.mjs');
  // Whoever counts what ran has built an app of its own.
  if (!process.env.ATTIC_APP) build();
  const { bundleServer, SERVER_BUNDLE } = await import('../scripts/bundleServer.mjs');
  await bundleServer();
  process.env.ATTIC_SERVER = SERVER_BUNDLE;
};
