const { getDefaultConfig } = require('expo/metro-config');
const path = require('node:path');

const config = getDefaultConfig(__dirname);

// Paper looks for an icon font; ours are drawn by src/theme/Icon.tsx, so the fonts stay out of the bundle.
const ICON_FONTS =
  /^(@react-native-vector-icons\/material-design-icons|@expo\/vector-icons\/MaterialCommunityIcons)$/;

config.resolver.resolveRequest = (context, name, platform) => {
  if (ICON_FONTS.test(name))
    return { type: 'sourceFile', filePath: path.join(__dirname, 'src/theme/PaperIcon.tsx') };
  // Some fifty languages of validation messages that nobody here reads.
  if (
    /locales\/index\.(js|cjs)$/.test(name) &&
    context.originModulePath.includes(`${path.sep}zod${path.sep}`)
  )
    return { type: 'empty' };
  // Its CommonJS form has no default export, which pdf-lib's modules ask for.
  if (name === 'tslib')
    return {
      type: 'sourceFile',
      filePath: path.join(
        path.dirname(require.resolve('tslib', { paths: [path.dirname(context.originModulePath)] })),
        'tslib.es6.js',
      ),
    };
  // Its own workers are made of functions' texts, which a bundle has changed: they would never answer.
  if (name === 'fflate' && /[\\/](?:read|write)-excel-file[\\/]/.test(context.originModulePath))
    return { type: 'sourceFile', filePath: path.join(__dirname, 'src/workers/packing.ts') };
  return context.resolveRequest(context, name, platform);
};

module.exports = config;
