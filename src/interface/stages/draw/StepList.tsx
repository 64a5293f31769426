'use client';
import Box from '@mui/material/Box';
import { type ConstructionPlan } from '@/core/construction';
import { formatLength, formatPaper } from '@/core/units';
import { Figure } from '@/interface/fields';
import { useSession } from '@/interface/session';
import { useLook } from '@/interface/theme';

const PARTS = { 'set-out': 'set-out', footprint: 'footprint', heights: 'heights', finish: 'firm lines' } as const;

/** The measures of the step at hand, and where one is in the whole. */
export function StepList({
  plan,
  step,
  goTo,
}: {
  readonly plan: ConstructionPlan;
  readonly step: number;
  readonly goTo: (step: number) => void;
}) {
  const { style } = useSession();
  const { look } = useLook();
  const now = plan.steps[step - 1];
  const parts = [...new Set(plan.steps.map((one) => one.part))];
  return (
    <Box>
      <Box component="ol" aria-label="Parts of the construction" sx={{ listStyle: 'none', p: 0, m: 0, mb: 1.5 }}>
        {parts.map((part) => {
          const first = plan.steps.findIndex((one) => one.part === part) + 1;
          const here = now?.part === part;
          return (
            <li key={part}>
              <Box
                component="button"
                type="button"
                onClick={() => goTo(first)}
                aria-current={here ? 'step' : undefined}
                sx={{
                  all: 'unset',
                  cursor: 'pointer',
                  py: 0.25,
                  minHeight: 26,
                  fontSize: 15,
                  color: here ? look.ink : look.text,
                  textDecoration: here ? 'underline' : 'none',
                  textUnderlineOffset: 4,
                  '&:focus-visible': { outline: `2px solid ${look.ink}` },
                }}
              >
                {PARTS[part]}
              </Box>
            </li>
          );
        })}
      </Box>
      {now && now.measures.length > 0 ? (
        <Box
          component="table"
          aria-label="Measures of this step"
          sx={{
            borderCollapse: 'collapse',
            width: '100%',
            fontSize: 14,
            '& td, & th': { textAlign: 'right', py: 0.3, borderBottom: `1px solid ${look.rule}`, fontWeight: 400 },
            '& th:first-of-type': { textAlign: 'left' },
          }}
        >
          <thead>
            <tr>
              <th scope="col">mark</th>
              <th scope="col">scale rule</th>
              <th scope="col">on paper</th>
            </tr>
          </thead>
          <tbody>
            {now.measures.map((measure) => (
              <tr key={measure.mark}>
                <th scope="row" style={{ textAlign: 'left' }}>
                  {plan.labels[measure.mark]}{' '}
                  <span style={{ color: look.faint }}>
                    {measure.toward} of {plan.labels[measure.from]}
                  </span>
                </th>
                <td>
                  {measure.real === null ? (
                    ''
                  ) : (
                    <Figure label="Real length">{formatLength(measure.real, style)}</Figure>
                  )}
                </td>
                <td>
                  <Figure label="Length on paper">{formatPaper(measure.paperMm, style)}</Figure>
                </td>
              </tr>
            ))}
          </tbody>
        </Box>
      ) : null}
    </Box>
  );
}
