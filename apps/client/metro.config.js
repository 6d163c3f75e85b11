const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
const { resolveRequest } = config.resolver;

// Parts that nothing here draws, whoever asks for them.
const UNDRAWN = [
  ...['FlatList', 'SectionList', 'VirtualizedList', 'CheckBox', 'Switch', 'Picker', 'Button'],
  ...['Animated', 'Easing', 'LayoutAnimation', 'PanResponder', 'Modal', 'ImageBackground'],
  ...['TouchableHighlight', 'TouchableNativeFeedback', 'TouchableOpacity'],
  ...['TouchableWithoutFeedback', 'KeyboardAvoidingView', 'ProgressBar', 'RefreshControl'],
  ...['DrawerLayoutAndroid'],
];

// What packages bring along and nothing here uses, by the package that asks for it. The first screen
// of the field has to be there within seconds on a slow phone.
const STAND_INS = {
  // Every language of messages, and JSON Schema: only English is shown, no schema is read, written
  // or compiled in a browser.
  zod: {
    '/locales/index.js': 'shims/zod-locales.js',
    './from-json-schema.js': 'shims/zod-from-json-schema.js',
    '/to-json-schema.js': 'shims/zod-json-schema.js',
    '/json-schema-processors.js': 'shims/zod-json-schema.js',
    './compile.js': 'shims/zod-compile.js',
  },
  // Drawings are made of elements here, and never read from text.
  'react-native-svg': { './xml': 'shims/left-out.js', './deprecated': 'shims/left-out.js' },
  'expo-router': {
    // `Slot` takes its way of going from here to there from the stack; its headers and bars nobody sees.
    '../fork/native-stack/createNativeStackNavigator': 'shims/left-out.js',
    './stack-utils': 'shims/left-out.js',
    './Toast': 'shims/left-out.js',
    './screensFeatureFlags': 'shims/left-out.js',
    './head': 'shims/left-out.js',
    './layouts/Tabs': 'shims/left-out.js',
    './layouts/experimental-stack': 'shims/left-out.js',
    './stack': 'shims/left-out.js',
    './views/Sitemap': 'shims/left-out.js',
    '../react-navigation/bottom-tabs': 'shims/no-tab-bar.js',
  },
};

// Tests plug in a trade kit of their own.
const more = process.env.ANT_TRAIL_MORE_KITS;
const FURTHER_KITS = more
  ? {
      './more-kits.ts': `../../packages/core/test/support/${more}-kit/index.ts`,
      './more-kit-parts.ts': `test/support/${more}-kit/index.ts`,
    }
  : {};

config.resolver.resolveRequest = (context, name, platform) => {
  if (Object.hasOwn(FURTHER_KITS, name))
    return { type: 'sourceFile', filePath: path.join(__dirname, FURTHER_KITS[name]) };
  // By its index, or by the part's own path, as the compiler writes it.
  const [, part] = /^(?:\.|react-native-web\/dist)\/exports\/(\w+)$/.exec(name) ?? [];
  if (UNDRAWN.includes(part))
    return { type: 'sourceFile', filePath: path.join(__dirname, 'shims/left-out.js') };
  for (const [asking, standIns] of Object.entries(STAND_INS))
    if (context.originModulePath.includes(`${path.sep}node_modules${path.sep}${asking}${path.sep}`))
      for (const [end, standIn] of Object.entries(standIns))
        if (name.endsWith(end))
          return { type: 'sourceFile', filePath: path.join(__dirname, standIn) };
  return (resolveRequest ?? context.resolveRequest)(context, name, platform);
};

// A module is evaluated when it is first used, and not with the one that imports it: of the first
// screen's code half is for what comes after it.
const { getTransformOptions } = config.transformer;
config.transformer.getTransformOptions = async (...asked) => {
  const options = await getTransformOptions?.(...asked);
  return { ...options, transform: { ...options?.transform, inlineRequires: true } };
};

module.exports = config;
