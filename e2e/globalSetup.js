/** The browser tests run against the app as it is served, so it is built first when stale. */
module.exports = async () => {
  const { build } = await import('../scripts/build.mjs');
  build();
};
