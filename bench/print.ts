/** The print route under twenty heavy and twenty hostile requests at once: what the page's answers take meanwhile, and what the process holds. */
import { readdirSync, readFileSync } from 'node:fs';
import { writeProject } from '@/core/formats/project';
import { isDocumented, printStorm } from '@/testing/print-storm';
import { fullRoom } from './full-room';

const quantile = (values: readonly number[], q: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * q))] ?? NaN;
/** Resident memory of a process and all it started, MB; the highest so far of each by the kernel's own count. */
function residentMB(pid: number): number {
  const children = new Map<number, number[]>();
  for (const name of readdirSync('/proc')) {
    if (!/^\d+$/.test(name)) continue;
    try {
      const parent = Number(/PPid:\s+(\d+)/.exec(readFileSync(`/proc/${name}/status`, 'utf8'))?.[1]);
      children.set(parent, [...(children.get(parent) ?? []), Number(name)]);
    } catch {
      // It has ended meanwhile.
    }
  }
  const of = (one: number): number => {
    const kB = Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${one}/status`, 'utf8'))?.[1] ?? '0');
    return kB / 1024 + (children.get(one) ?? []).reduce((sum, child) => sum + of(child), 0);
  };
  return of(pid);
}

export async function benchPrint(baseURL: string, serverPid: number): Promise<void> {
  const project = writeProject(fullRoom(300));
  const ask = async (): Promise<number> => {
    const began = performance.now();
    await (await fetch(baseURL)).text();
    return performance.now() - began;
  };
  for (let i = 0; i < 20; i += 1) await ask();
  const calm: number[] = [];
  for (let i = 0; i < 50; i += 1) calm.push(await ask());
  for (const round of [1, 2, 3]) {
    const times: number[] = [];
    let over = false;
    const storm = printStorm(baseURL, project, 20, 20).finally(() => (over = true));
    while (!over) {
      times.push(await ask());
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
    const answers = await storm;
    const by = new Map<string, number>();
    for (const { what, status } of answers) by.set(`${what}: ${status}`, (by.get(`${what}: ${status}`) ?? 0) + 1);
    console.log(
      `print storm ${round}: page p50 ${quantile(times, 0.5).toFixed(0)}, p95 ${quantile(times, 0.95).toFixed(0)}, most ${Math.max(...times).toFixed(0)} ms of ${times.length} asked (calm p95 ${quantile(calm, 0.95).toFixed(0)} ms); held at most ${residentMB(serverPid).toFixed(0)} MB; undocumented answers ${answers.filter((one) => !isDocumented(one)).length} of ${answers.length}`,
    );
    console.log(`  ${[...by].map(([what, count]) => `${what}${count > 1 ? ` ×${count}` : ''}`).join('; ')}`);
  }
}
