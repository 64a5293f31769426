'use client';
import { useEffect, useRef } from 'react';
import Box from '@mui/material/Box';
import type { WholeStep } from '@/core/construction';
import { formatLength, formatPaper } from '@/core/units';
import { Figure, RowsInSight, SmallTable } from '@/interface/fields';
import { useSession } from '@/interface/session';
import { useLook } from '@/interface/theme';

const ARROWS = { right: '→', left: '←', up: '↑', down: '↓' } as const;

/** The margin is moved so long after the paper is painted: it is not what one looks at first, ms. */
export const MOVED_AFTER_MS = 120;

/** Whether a step has figures or crossings in tables, to which its sentence points. */
export const hasTables = ({ measures, crossings, parts }: WholeStep): boolean =>
  measures.length + crossings.length + parts.length > 0;

/** What a step measures and where its lines cross, where that is more than a few sentences. */
export function StepTables({ step }: { readonly step: WholeStep }) {
  const { style } = useSession();
  const { look } = useLook();
  const top = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const later = setTimeout(() => top.current?.scrollIntoView({ block: 'start' }), MOVED_AFTER_MS);
    return () => clearTimeout(later);
  }, [step]);
  return (
    <>
      {/* Below what is pointed at, which stays at the top. */}
      {hasTables(step) ? <Box ref={top} sx={{ scrollMarginTop: 150 }} /> : null}
      {step.measures.length > 0 ? (
        <SmallTable rows="close" label="Measures of this step" heads={['mark', 'scale rule', 'on paper']}>
          <RowsInSight
            of={step.measures}
            columns={3}
            row={({ label, toward, real, paperMm }, i) => (
              <tr key={i}>
                <th scope="row">
                  {label} <span aria-label={toward}>{ARROWS[toward]}</span>
                </th>
                <td>
                  <Figure label="Real length">{formatLength(real, style)}</Figure>
                </td>
                <td>
                  <Figure label="Length on paper">{formatPaper(paperMm, style)}</Figure>
                </td>
              </tr>
            )}
          />
        </SmallTable>
      ) : null}
      {step.crossings.length > 0 ? (
        <SmallTable rows="close" label="Crossings of this step" heads={['mark', 'where', 'crosses']}>
          <RowsInSight
            of={step.crossings}
            columns={3}
            row={({ label, lines, counted }, i) => (
              <tr key={i}>
                <th scope="row">
                  {label}
                  {counted === null ? null : (
                    <span aria-label="counted on the grid" style={{ display: 'block', color: look.faint }}>
                      {counted}
                    </span>
                  )}
                </th>
                <td>{lines[0]}</td>
                <td>{lines[1]}</td>
              </tr>
            )}
          />
        </SmallTable>
      ) : null}
      {step.parts.length > 0 ? (
        <SmallTable rows="close" label="Firm parts of lines" heads={['line', 'from', 'to']}>
          <RowsInSight
            of={step.parts}
            columns={3}
            row={({ line, from, to }, i) => (
              <tr key={i}>
                <th scope="row">{line}</th>
                <td>{typeof from === 'string' ? from : <Figure>{formatPaper(from, style)}</Figure>}</td>
                <td>{typeof to === 'string' ? to : <Figure>{formatPaper(to, style)}</Figure>}</td>
              </tr>
            )}
          />
        </SmallTable>
      ) : null}
    </>
  );
}

/** The same beneath the sentence, side by side, where there is no margin for tables. */
export function StepLists({ step: { measures, crossings, parts } }: { readonly step: WholeStep }) {
  const { style } = useSession();
  const { look } = useLook();
  const end = (one: string | number): string => (typeof one === 'string' ? one : formatPaper(one, style));
  const items = [
    ...measures.map(({ label, toward, real, paperMm }) => [
      `${label} ${ARROWS[toward]}`,
      `${formatLength(real, style)}, ${formatPaper(paperMm, style)}`,
    ]),
    ...crossings.map(({ label, lines, counted }) => [
      label,
      `${lines[0]} × ${lines[1]}${counted === null ? '' : `, at ${counted}`}`,
    ]),
    ...parts.map(({ line, from, to }) => [line, `${end(from)} to ${end(to)}`]),
  ];
  if (items.length === 0) return null;
  return (
    <Box
      component="ul"
      aria-label="Figures of this step"
      sx={{ listStyle: 'none', p: 0, m: 0, mt: 0.5, display: 'flex', flexWrap: 'wrap', columnGap: 2.5, fontSize: 18 }}
    >
      {items.map(([name, words], i) => (
        <li key={i}>
          <b style={{ fontWeight: 'inherit', color: look.ink }}>{name}</b>: {words}
        </li>
      ))}
    </Box>
  );
}
