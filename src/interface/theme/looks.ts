import type { StrokeFamily } from '@/core/drawing';
import { FAMILY_PENS } from '@/core/drawing';

export type LookName = 'day' | 'evening' | 'contrast';

/** The colours of a drafting room at one time of day. */
export interface Look {
  readonly name: LookName;
  readonly words: string;
  /** The paper the whole board is, the sheet to be drawn on, the margin beside. */
  readonly paper: string;
  readonly sheet: string;
  readonly margin: string;
  readonly strip: string;
  /** What stays, what is written, what is faint. */
  readonly graphite: string;
  readonly text: string;
  readonly faint: string;
  readonly rule: string;
  /** What is chosen or pointed at. */
  readonly ink: string;
  /** The next thing to do. */
  readonly accent: string;
  readonly onAccent: string;
  readonly warning: string;
  readonly families: Readonly<Record<StrokeFamily, string>>;
  /** Opacity of the paper's tooth. */
  readonly tooth: number;
  readonly widen: number;
}

const daylight = Object.fromEntries(Object.entries(FAMILY_PENS).map(([family, pen]) => [family, pen.colour])) as Record<
  StrokeFamily,
  string
>;

export const LOOKS: Readonly<Record<LookName, Look>> = {
  day: {
    name: 'day',
    words: 'daylight',
    paper: '#f3ede1',
    sheet: '#fcfaf4',
    margin: '#ebe3d3',
    strip: '#e4dbc8',
    graphite: '#2b2a27',
    text: '#33302a',
    faint: '#625c50',
    rule: '#c9bfab',
    ink: '#1b4079',
    accent: '#9c4416',
    onAccent: '#fffaf2',
    warning: '#b0332e',
    families: daylight,
    tooth: 0.05,
    widen: 1,
  },
  evening: {
    name: 'evening',
    words: 'evening',
    paper: '#312b23',
    sheet: '#3b342a',
    margin: '#29241d',
    strip: '#463e32',
    graphite: '#eae3d5',
    text: '#e5ddcd',
    faint: '#b3a994',
    rule: '#665c4b',
    ink: '#8fbcf0',
    accent: '#e39a63',
    onAccent: '#221a12',
    warning: '#f0908a',
    families: {
      right: '#d79bbb',
      left: '#7fc4c6',
      centre: '#d79bbb',
      elsewhere: '#d0bd62',
      round: '#b3c288',
      vertical: '#b9b5ac',
      level: '#a5b6d2',
      measuring: '#e79b62',
      ray: '#c9b384',
      sheet: '#a59f92',
    },
    tooth: 0.04,
    widen: 1,
  },
  contrast: {
    name: 'contrast',
    words: 'high contrast',
    paper: '#ffffff',
    sheet: '#ffffff',
    margin: '#ffffff',
    strip: '#f0f0f0',
    graphite: '#000000',
    text: '#000000',
    faint: '#333333',
    rule: '#000000',
    ink: '#002f8a',
    accent: '#7a2500',
    onAccent: '#ffffff',
    warning: '#a00000',
    families: {
      right: '#6b0f45',
      left: '#004a4d',
      centre: '#6b0f45',
      elsewhere: '#4f4300',
      round: '#333d10',
      vertical: '#000000',
      level: '#1d2f55',
      measuring: '#7a2f00',
      ray: '#5c4700',
      sheet: '#222222',
    },
    tooth: 0,
    widen: 1.5,
  },
};

export const LOOK_ORDER: readonly LookName[] = ['day', 'evening', 'contrast'];
