import { PLAIN_OPENING } from '@/core/record';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { cornersOf } from '@/interface/board/lit';
import { LOOKS } from '@/interface/theme/looks';
import { bodiesOf } from '@/core/solids';
import { IMPERIAL_STYLE, METRIC_STYLE } from '@/core/units';
import { boxPiece, size, smallRoom } from '@/testing';
import { lineWords, placeWords, sideways, upright } from './sides';
import { TRADE_TERMS } from './trade-terms';

describe('words for what is pointed at', () => {
  it('signed paper distances are said as sides', () => {
    expect([sideways(43.24, METRIC_STYLE), sideways(-0.06, METRIC_STYLE)]).toEqual(['43.2 right', '0.1 left']);
    expect([upright(-18.6, METRIC_STYLE), upright(12, METRIC_STYLE)]).toEqual(['18.6 below', '12.0 above']);
    expect(sideways(-42.8625, IMPERIAL_STYLE)).toBe('1 11/16" left');
  });

  it('corners are named as one says them: of a piece, of the room by its walls, of an opening by its sides', () => {
    const room = smallRoom();
    const door = {
      id: 'door',
      name: 'the door',
      kind: 'door' as const,
      wallId: 'north',
      fromCorner: 'nw',
      offset: size('o', 500),
      width: size('w', 900),
      sill: size('s', 0),
      height: size('h', 2050),
      ...PLAIN_OPENING,
      reveal: size('r', 80),
    };
    const project = { ...room, openings: [door], pieces: [{ ...boxPiece({ id: 'bench' }), name: 'the bench' }] };
    const named = (id: string): string => {
      const corner = cornersOf(bodiesOf(project)).find((one) => one.id === id);
      return corner ? placeWords(project, corner.bodyName, corner.role) : 'no such corner';
    };
    expect(named('bench/box/front-left-top')).toBe('the bench, front left, top');
    expect(named('nw/floor')).toBe('corner of the west wall and the north wall, floor');
    expect(named('sw/ceiling')).toBe('corner of the south wall and the west wall, ceiling');
    expect(named('door/face/left-head')).toBe('the door, left head');
    expect(named('door/back/left-head')).toBe('the door, left head, back of the reveal');
    const [edge] = bodiesOf(project).flatMap((body) => body.edges.filter((one) => one.id === 'north/floor'));
    expect(
      lineWords(project, () => 'Room', 'room', { line: 'edge', edge: edge?.role ?? { is: 'floor', spaceId: '' } }),
    ).toBe('the north wall, foot:');
  });

  it('a line of intersection is told by both that run into each other', () => {
    const names: Readonly<Record<string, string>> = { rail: 'the rail', post: 'the post' };
    const nameOf = (id: string): string => names[id] ?? '';
    const crossing = (a: string, b: string) => ({ line: 'crossing', faces: ['f', 'g'], bodies: [a, b] }) as const;
    expect(lineWords(smallRoom(), nameOf, 'rail', crossing('rail', 'post'))).toBe(
      'The rail and the post run through each other in this line.',
    );
    expect(lineWords(smallRoom(), nameOf, 'rail', crossing('rail', 'rail'))).toBe(
      'Two parts of the rail run into each other in this line.',
    );
  });

  it('no two corners of a demonstration room have the same name, and no name shows an id', () => {
    for (const project of DEMOS) {
      const names = cornersOf(bodiesOf(project)).map((corner) => placeWords(project, corner.bodyName, corner.role));
      expect(names.filter((name, index) => names.indexOf(name) !== index)).toEqual([]);
      for (const name of names) expect(name).not.toMatch(/[/_]|undefined/);
    }
  });
});

describe('terms', () => {
  it('every term is explained in a sentence', () => {
    expect(TRADE_TERMS.length).toBeGreaterThan(10);
    for (const { term, means } of TRADE_TERMS) expect(means, term).toMatch(/^[A-Z].{15,}\.$/);
  });
});

/** Contrast of two colours after WCAG 2: (L1 + 0.05)/(L2 + 0.05), L the relative luminance. */
function contrast(a: string, b: string): number {
  const luminance = (colour: string): number => {
    const [r, g, bl] = [1, 3, 5].map((i) => {
      const value = parseInt(colour.slice(i, i + 2), 16) / 255;
      return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
    }) as [number, number, number];
    return 0.2126 * r + 0.7152 * g + 0.0722 * bl;
  };
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number];
  return (light + 0.05) / (dark + 0.05);
}

describe.each(Object.values(LOOKS).map((look) => [look.name, look] as const))('the %s look', (name, look) => {
  const grounds = [look.paper, look.sheet, look.margin];
  it('writes and draws so that it can be read on every ground', () => {
    for (const ground of grounds) {
      for (const ink of [look.text, look.faint, look.ink, look.warning, look.graphite]) {
        expect(contrast(ink, ground), `${ink} on ${ground}`).toBeGreaterThanOrEqual(name === 'contrast' ? 7 : 4.5);
      }
      for (const [family, colour] of Object.entries(look.families)) {
        // The ray is a helper that is lit only for a moment; graphic objects need 3 to 1.
        expect(contrast(colour, ground), `${family} on ${ground}`).toBeGreaterThanOrEqual(family === 'ray' ? 2.3 : 3);
      }
    }
    expect(contrast(look.onAccent, look.accent)).toBeGreaterThanOrEqual(4.5);
  });
  it('keeps the families apart by colour, and the centre of vision’s with the right’s', () => {
    const { centre, right, ...others } = look.families;
    expect(centre).toBe(right);
    const colours = [right, ...Object.values(others)];
    expect(new Set(colours).size).toBe(colours.length);
  });
});
