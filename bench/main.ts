import { DEMOS } from '@/app/demo';
import { benchCore } from './core';
import { benchDrawStep } from './draw-step';
import { benchEdit } from './edit';
import { benchFinder } from './finder';
import { benchLarge } from './large';
import { benchLines } from './lines';
import { benchPlan } from './plan';
import { benchPrint } from './print';
import { benchRedraw } from './redraw';

/** Every bench by its name: `npm run bench -- redraw edit` runs two of them, without names all are run. */
const [baseURL = '', executablePath = '', serverPid = '', ...wanted] = process.argv.slice(2);
const BENCHES: Readonly<Record<string, () => void | Promise<void>>> = {
  lines: benchLines,
  core: () => benchCore(DEMOS),
  finder: () => benchFinder(DEMOS),
  plan: () => benchPlan(DEMOS),
  redraw: () =>
    benchRedraw(
      baseURL,
      executablePath,
      DEMOS.map((demo) => demo.id),
    ),
  'draw-step': () =>
    benchDrawStep(
      baseURL,
      executablePath,
      DEMOS.map((demo) => demo.id),
    ),
  print: () => benchPrint(baseURL, Number(serverPid)),
  large: async () => {
    // The small one is the floor: what a page and an edit cost without a large room.
    for (const count of [10, 1000, 3000]) await benchLarge(baseURL, executablePath, count);
  },
  edit: async () => {
    for (const count of [30, 300]) await benchEdit(baseURL, executablePath, count);
  },
};
const unknown = wanted.filter((name) => !(name in BENCHES));
if (unknown.length > 0) throw new Error(`no bench ${unknown.join(', ')}; there are ${Object.keys(BENCHES).join(', ')}`);
for (const [name, bench] of Object.entries(BENCHES)) if (wanted.length === 0 || wanted.includes(name)) await bench();
