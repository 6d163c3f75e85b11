/**
 * Which way the arrows point among folders. In each line a folder may use those before it, and none
 * after it; one that is in no line is an error, so that its place is thought about.
 */
const ORDERS = {
  'packages/core/src':
    'accounts codes log measure logic trades sheet actions calendar catalogues documents exchange fields geo instruments maps planning timesheet rounds records register review sealed sketch story tags templates',
  'packages/contract/src':
    'common lists accounts catalogues capture templates fields sites register tags labels arrival maps documents planning timesheet rounds messages actions exchange feedback media records reports review story sync',
  'apps/server/src':
    'refusals turns database queue http live log mail paper phones tables modules watch setup',
  'apps/server/src/modules':
    'lists accounts feedback fields sites maps register tags labels catalogues templates media documents planning timesheet rounds messages arrival actions capture trades review reports records story exchange sync',
  'apps/client/features':
    'lists exchange accounts sync codes catalogues kinds media feedback fields register sites tags labels arrival documents messages planning timesheet rounds trades actions capture reports review story maps records templates',
};

const inOrder = Object.entries(ORDERS).flatMap(([root, line]) => {
  const names = line.split(' ');
  const folders = (which) => `^${root}/(${which.join('|')})/`;
  return [
    ...names.slice(0, -1).map((name, at) => ({
      name: `${root.split('/')[1]}: ${name} uses only what is below it`,
      severity: 'error',
      from: { path: folders([name]) },
      to: { path: folders(names.slice(at + 1)) },
    })),
    {
      name: `every folder of ${root} has its place`,
      severity: 'error',
      from: { path: `^${root}/[^/]+/`, pathNot: folders(names) },
      to: {},
    },
  ];
});

module.exports = {
  forbidden: [
    ...inOrder,
    {
      name: 'no circles of folders',
      severity: 'error',
      scope: 'folder',
      from: {},
      to: { circular: true },
    },
    { name: 'no circles of files', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(node_modules|/dist|/test/|/public/|/\\.expo/)' },
    tsConfig: { fileName: 'scripts/arrows/tsconfig.json' },
    // What is imported for its type alone is an arrow as well.
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.json'] },
  },
};
