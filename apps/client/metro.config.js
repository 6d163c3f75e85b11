const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
const { resolveRequest } = config.resolver;

// Zod brings every language of its messages along; only English is shown here.
config.resolver.resolveRequest = (context, name, platform) => {
  if (
    name.endsWith('/locales/index.js') &&
    context.originModulePath.includes(`${path.sep}zod${path.sep}`)
  )
    return { type: 'sourceFile', filePath: path.join(__dirname, 'shims/zod-locales.js') };
  return (resolveRequest ?? context.resolveRequest)(context, name, platform);
};

module.exports = config;
