import { DEMOS } from '@/app/demo';
import { benchCore } from './core';
import { benchEdit } from './edit';
import { benchFinder } from './finder';
import { benchLines } from './lines';
import { benchRedraw } from './redraw';

const [baseURL, executablePath] = process.argv.slice(2);
benchLines();
benchCore(DEMOS);
benchFinder(DEMOS);
if (baseURL && executablePath) {
  await benchRedraw(
    baseURL,
    executablePath,
    DEMOS.map((demo) => demo.id),
  );
  for (const count of [30, 300]) await benchEdit(baseURL, executablePath, count);
}
