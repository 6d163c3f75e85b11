const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
const { resolveRequest } = config.resolver;

// Zod brings along every language of its messages, and reads and writes JSON Schema; only English
// is shown here, and no schema is read, written or compiled in a browser.
const STAND_INS = {
  '/locales/index.js': 'shims/zod-locales.js',
  './from-json-schema.js': 'shims/zod-from-json-schema.js',
  '/to-json-schema.js': 'shims/zod-json-schema.js',
  '/json-schema-processors.js': 'shims/zod-json-schema.js',
  './compile.js': 'shims/zod-compile.js',
};

config.resolver.resolveRequest = (context, name, platform) => {
  if (context.originModulePath.includes(`${path.sep}zod${path.sep}`))
    for (const [end, standIn] of Object.entries(STAND_INS))
      if (name.endsWith(end))
        return { type: 'sourceFile', filePath: path.join(__dirname, standIn) };
  return (resolveRequest ?? context.resolveRequest)(context, name, platform);
};

module.exports = config;
