'use client';
import { memo } from 'react';
import Box from '@mui/material/Box';
import { err, ok, type Result } from '@/core/base';
import type { Pace } from '@/core/construction';
import { TypedField, type FieldFault } from '@/interface/fields';
import { useServices } from '@/interface/services';

/** What a pace may be, seconds. */
const LEAST_S = 1;
const MOST_S = 600;
const SECONDS = 60;

/** "15", "15 s", "0,5 min". */
export function readSeconds(text: string): Result<number, FieldFault> {
  const [, figure, unit = 's'] = /^\s*(\d+(?:[.,]\d+)?)\s*(s|sec|min)?\s*$/i.exec(text) ?? [];
  if (figure === undefined)
    return err({ message: `“${text.trim()}” is not a time. Write seconds, as 15 or 15 s, or minutes, as 0.5 min.` });
  const seconds = Number(figure.replace(',', '.')) * (unit.toLowerCase() === 'min' ? SECONDS : 1);
  if (seconds < LEAST_S || seconds > MOST_S)
    return err({ message: `A time here is between ${LEAST_S} second and ${MOST_S / SECONDS} minutes.` });
  return ok(seconds);
}

const PARTS: readonly (readonly [keyof Pace, string, string])[] = [
  ['move', 'Time for a move of the ruler', 'a move of the ruler'],
  ['mark', 'Time for a mark', 'a mark'],
  ['line', 'Time for a line', 'a line'],
];

/** How long this person takes, by which minutes are told; it has nothing to do with the step. */
export const PaceSentence = memo(function PaceSentence() {
  const { tools, keepTools } = useServices();
  const { pace } = tools;
  const set = (which: keyof Pace, seconds: number): void =>
    keepTools({ ...tools, pace: { ...pace, [which]: Math.min(MOST_S, Math.max(LEAST_S, seconds)) / SECONDS } });
  return (
    <Box component="p" sx={{ m: 0, mb: 1, fontSize: 14.5, lineHeight: 1.5 }}>
      At my pace{' '}
      {PARTS.map(([which, label, words], i) => {
        const seconds = Math.round(pace[which] * SECONDS);
        return (
          <span key={which}>
            {i === 0 ? '' : i === PARTS.length - 1 ? ' and ' : ', '}
            {words} takes{' '}
            <TypedField
              label={label}
              shown={String(seconds)}
              unit="s"
              hint="Seconds, or minutes as 0.5 min"
              read={(text) => {
                const read = readSeconds(text);
                return read.ok ? ok(() => set(which, read.value)) : read;
              }}
              nudge={(steps) => set(which, seconds + steps)}
            />
          </span>
        );
      })}
      .
    </Box>
  );
});
