import { benchBoard } from './board.ts';
import { benchDevices } from './devices.ts';
import { benchHints } from './hints.ts';
import { benchHouse } from './house.ts';
import { benchKits } from './kits.ts';
import { benchLists } from './lists.ts';
import { benchPlan } from './plan.ts';
import { benchPush } from './push.ts';
import { benchReport } from './report.ts';
import { benchRows } from './rows.ts';
import { benchRules } from './rules.ts';
import { benchScreen } from './screen.ts';
import { benchSheet } from './sheet.ts';

console.log('Medians on this machine, each beside its peer or limit measured in the same run.\n');
const wanted = process.argv.slice(2);
const [first, file, ...options] = wanted;
const BENCHES = {
  sheet: benchSheet,
  rules: benchRules,
  rows: benchRows,
  hints: benchHints,
  screen: benchScreen,
  devices: benchDevices,
  push: benchPush,
  lists: benchLists,
  board: benchBoard,
  house: benchHouse,
  kits: benchKits,
  report: benchReport,
  plan: () => benchPlan(),
};
if (first === 'plan' && file) benchPlan(file, options);
else
  for (const [name, bench] of Object.entries(BENCHES))
    if (wanted.length === 0 || wanted.includes(name)) await bench();
