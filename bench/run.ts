import { benchPush } from './push.ts';
import { benchReport } from './report.ts';
import { benchSheet } from './sheet.ts';

console.log('Medians on this machine, each beside its peer or limit measured in the same run.\n');
await benchSheet();
await benchPush();
await benchReport();
