import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { changeView, type View, sameMark } from '@/core/record';
import { IMPERIAL_STYLE, METRIC_STYLE } from '@/core/units';
import { boxView, smallRoom } from '@/testing';
import { firstRemedies, reachRemedies } from './reach-remedies';
import { outOfReach, reachesOf, resolveSetUp, setOutOf, warnMargins, warnReach } from './index';

function standing(change: Partial<View> = {}) {
  const project = smallRoom([], boxView({ frame: { left: -60, right: 60, bottom: -60, top: 60 }, ...change }));
  const view = at(project.views, 0);
  const setUp = resolveSetUp(project, view);
  if (!setUp.ok) throw new Error(setUp.error.message);
  return { project, view, setUp: setUp.value, setOut: setOutOf(project, view, setUp.value) };
}

describe('the first remedies of a ring', () => {
  it('are the first possible ones of all, in the same order, and no more than are asked for', () => {
    const given = standing({
      station: { x: 2000, y: -9000 },
      board: { width: 560, height: 400 },
      sheetOnBoard: { x: 70, y: 50 },
    });
    const { project, view, setUp, setOut } = given;
    const [far] = outOfReach(view, setOut);
    if (!far) throw new Error('a point out of reach');
    const all = reachRemedies(project, view, setUp, setOut, far.mark, METRIC_STYLE).filter((one) => one.possible);
    expect(all.length).toBeGreaterThan(2);
    for (const most of [1, 2, all.length, 99]) {
      const first = firstRemedies({ ...given, mark: far.mark, style: METRIC_STYLE }, most);
      expect(first.map((one) => one.label)).toEqual(all.slice(0, most).map((one) => one.label));
    }
  });
  it('taken, they leave no ring; what was done stays told in the list of reaches', () => {
    const { project, view, setUp, setOut } = standing({
      station: { x: 2000, y: -9000 },
      board: { width: 560, height: 400 },
      sheetOnBoard: { x: 70, y: 50 },
    });
    const [warning] = warnReach(project, view, setUp, setOut, METRIC_STYLE);
    for (const remedy of warning?.remedies ?? []) {
      const next = changeView(project, view.id, remedy.change);
      const changed = at(next.views, 0);
      const after = resolveSetUp(next, changed);
      if (!after.ok) throw new Error(after.error.message);
      const laid = setOutOf(next, changed, after.value);
      expect(warnReach(next, changed, after.value, laid, METRIC_STYLE), remedy.label).toEqual([]);
      for (const aid of changed.aids)
        expect(reachesOf(changed, laid).find((one) => sameMark(one.mark.name, aid.mark))?.aid).toEqual(aid);
    }
  });
});

describe('the margins', () => {
  it('are told in inches where one counts in inches, side by side', () => {
    const { view } = standing({
      frame: { left: -220, right: 60, bottom: -160, top: 60 },
      margins: { left: 12.7, right: 12.7, bottom: 12.7, top: 12.7 },
    });
    // 210 − 220 leaves −10: 22.7 over; 150 − 160 likewise.
    expect(warnMargins(view, IMPERIAL_STYLE)[0]?.message).toBe(
      'The frame reaches 29/32" over the left margin and 29/32" over the lower margin of the A3 sheet.',
    );
  });
  it('margins that leave nothing of the sheet have no remedy but themselves', () => {
    const { view } = standing({ margins: { left: 300, right: 300, bottom: 10, top: 10 } });
    expect(warnMargins(view, METRIC_STYLE)[0]?.remedies).toEqual([]);
  });
});
