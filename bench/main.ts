import { DEMOS } from '@/app/demo';
import { benchCore } from './core';
import { benchRedraw } from './redraw';

const [baseURL, executablePath] = process.argv.slice(2);
benchCore(DEMOS);
if (baseURL && executablePath)
  await benchRedraw(
    baseURL,
    executablePath,
    DEMOS.map((demo) => demo.id),
  );
