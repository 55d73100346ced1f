module.exports = function (api) {
  const isTest = api.env('test');
  return {
    presets: ['babel-preset-expo'],
    // Jest runs no modules that are fetched when they are wanted: there they are required.
    plugins: isTest ? ['@babel/plugin-transform-dynamic-import'] : [],
  };
};
