module.exports = (api) => {
  const underTest = api.env('test');
  return {
    presets: ['babel-preset-expo'],
    // Jest loads no module by import(): what comes when first used is required there.
    plugins: underTest
      ? ['@babel/plugin-transform-dynamic-import', '@babel/plugin-transform-modules-commonjs']
      : [],
  };
};
