'use client';
import { memo, useEffect, useMemo, useRef } from 'react';
import Box from '@mui/material/Box';
import type { Id } from '@/core/record';
import { useSession } from '@/interface/session';
import { useLook } from '@/interface/theme';
import { hasTables, MOVED_AFTER_MS } from './StepTables';
import { partsOf, type PlanPart } from './plan-parts';
import type { Drawn } from './use-drawing';

/** Where one is in the whole: its things or its passes, those that are drawn ticked; the steps of the one at hand beneath it. */
export function PlanList({ desk }: { readonly desk: Drawn }) {
  const { drawn, jump: goTo } = desk;
  const nameOf = useThingNames();
  const plan = drawn?.laid.plan ?? null;
  const order = drawn?.order ?? 'by-piece';
  const parts = useMemo(() => (plan ? partsOf(plan, order, nameOf) : []), [plan, order, nameOf]);
  if (!drawn) return null;
  const { step, ticked } = drawn;
  return (
    <Box component="ol" aria-label="Parts of the plan" sx={{ listStyle: 'none', p: 0, m: 0 }}>
      {parts.map((part) => {
        const here = step >= part.first && step <= part.last;
        const steps = ticked.slice(part.first - 1, part.last);
        return (
          <li key={part.first}>
            <Row
              {...{ title: part.title, to: part.first, here: here ? 'part' : 'no', goTo }}
              ticks={steps.every((one) => one) ? 'all' : steps.some((one) => one) ? 'some' : 'none'}
            />
            {here && part.last > part.first ? <StepsOf part={part} desk={desk} /> : null}
          </li>
        );
      })}
    </Box>
  );
}

/** Names of things; the same function while they are left alone. */
function useThingNames(): (id: Id) => string {
  const { spaces, openings, surfaces, pieces } = useSession().project;
  return useMemo(() => {
    const names = new Map<Id, string>(
      [...spaces, ...openings, ...surfaces, ...pieces].map((one) => [one.id, one.name]),
    );
    return (id) => names.get(id) ?? 'the room';
  }, [spaces, openings, surfaces, pieces]);
}

function StepsOf({ part, desk }: { readonly part: PlanPart; readonly desk: Drawn }) {
  const { drawn, jump: goTo } = desk;
  if (!drawn) return null;
  const { laid, step, ticked } = drawn;
  return (
    <Box component="ol" aria-label={`Steps of ${part.title}`} sx={{ listStyle: 'none', p: 0, pl: 1.5, m: 0 }}>
      {laid.plan.steps.slice(part.first - 1, part.last).map((one, i) => {
        const number = part.first + i;
        return (
          <li key={one.id}>
            <Row
              {...{ title: `${number} ${one.title}`, to: number, here: number === step ? 'step' : 'no', goTo }}
              // Where there are tables they are what one looks at, above the list.
              follows={!hasTables(one)}
              ticks={ticked[number - 1] ? 'all' : 'none'}
            />
          </li>
        );
      })}
    </Box>
  );
}

const TICKS = { all: '✓', some: '·', none: '' } as const;
const TICK_WORDS = { all: ', drawn', some: ', partly drawn', none: '' } as const;

const Row = memo(function Row({
  title,
  to,
  here,
  ticks,
  goTo,
  follows = false,
}: {
  readonly title: string;
  readonly to: number;
  readonly here: 'step' | 'part' | 'no';
  readonly ticks: keyof typeof TICKS;
  readonly goTo: (step: number) => void;
  /** Whether the list is moved to it when one comes to it. */
  readonly follows?: boolean;
}) {
  const { look } = useLook();
  const row = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (here !== 'step' || !follows) return undefined;
    // After the paper is painted: where one is in the list is not what one looks at first.
    const later = setTimeout(() => row.current?.scrollIntoView({ block: 'nearest' }), MOVED_AFTER_MS);
    return () => clearTimeout(later);
  }, [here, follows]);
  return (
    <Box
      component="button"
      type="button"
      ref={row}
      onClick={() => goTo(to)}
      aria-current={here === 'step' ? 'step' : here === 'part' ? 'true' : undefined}
      aria-label={`${title}${TICK_WORDS[ticks]}`}
      sx={{
        all: 'unset',
        cursor: 'pointer',
        display: 'flex',
        gap: 0.5,
        minHeight: 24,
        // Below what is pointed at, which stays at the top.
        scrollMarginTop: 150,
        fontSize: 14.5,
        lineHeight: 1.35,
        color: here === 'no' ? look.text : look.ink,
        '&:focus-visible': { outline: `2px solid ${look.ink}` },
      }}
    >
      <span aria-hidden="true" style={{ width: 12, flexShrink: 0, color: look.faint }}>
        {TICKS[ticks]}
      </span>
      <span style={{ textDecoration: here === 'step' ? 'underline' : 'none', textUnderlineOffset: 4 }}>{title}</span>
    </Box>
  );
});
