/** The browser tests run against the app and the server as they are served and started: both are built first when stale. */
module.exports = async () => {
  const { build } = await import('../scripts/build.mjs');
  build();
  const { bundleServer, SERVER_BUNDLE } = await import('../scripts/bundleServer.mjs');
  await bundleServer();
  process.env.ATTIC_SERVER = SERVER_BUNDLE;
};
