'use client';
import { useEffect, useRef } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { say, type WholeCheck, type WholePlan } from '@/core/construction';
import { formatPaper } from '@/core/units';
import { useOpenSheet } from '@/interface/frame';
import { printSheet } from '@/interface/at-board';
import { useSession } from '@/interface/session';
import { useLook } from '@/interface/theme';
import { FrozenSentence } from './FrozenSentence';
import { leftOfStep } from './left-of-step';
import { StepLists } from './StepTables';
import { nextOpen, type Drawn, type DrawnStep } from './use-drawing';

/** The step to follow, forward and back; at the end, what there is to do then. */
export function Player({
  desk,
  drawn,
  touch,
}: {
  readonly desk: Drawn;
  readonly drawn: DrawnStep;
  readonly touch: boolean;
}) {
  const { look } = useLook();
  const { laid, step, ticked } = drawn;
  const { lay } = useOpenSheet();
  const now = laid.plan.steps[step - 1];
  if (!now) return null;
  const corner = touch
    ? { width: 120, height: 120, fontSize: 22, flexShrink: 0 }
    : { height: 56, px: 2.5, fontSize: 17, flexShrink: 0 };
  const last = step === laid.plan.steps.length;
  const open = nextOpen(ticked, step);
  const left = ticked.filter((one) => !one).length;
  const ends = last && open === null;
  return (
    <Box
      role="group"
      aria-label="Step by step"
      sx={{ display: 'flex', gap: 2, alignItems: 'center', width: '100%', height: '100%', minWidth: 0 }}
    >
      <Button
        aria-label="Back one step"
        disabled={step <= 1}
        onClick={() => desk.goTo('before')}
        sx={{ ...corner, border: `1px solid ${look.rule}` }}
      >
        back
      </Button>
      <StepWords desk={desk} drawn={drawn} touch={touch} left={left} />
      {ends ? (
        <Button
          variant="contained"
          onClick={() => (ticked[step - 1] ? lay(printSheet) : desk.doneAndNext())}
          sx={corner}
        >
          {ticked[step - 1] ? 'print it' : 'all drawn'}
        </Button>
      ) : (
        <Button variant="contained" aria-label="Next step" onClick={desk.doneAndNext} sx={corner}>
          {last && open !== null ? `to ${open}` : 'next'}
        </Button>
      )}
    </Box>
  );
}

function StepWords({
  desk,
  drawn,
  touch,
  left,
}: {
  readonly desk: Drawn;
  readonly drawn: DrawnStep;
  readonly touch: boolean;
  readonly left: number;
}) {
  const { style } = useSession();
  const { look } = useLook();
  const { laid, step, ticked } = drawn;
  const now = laid.plan.steps[step - 1];
  const words = useRef<HTMLDivElement>(null);
  // A step is read from its beginning, however far one has gone through the one before.
  useEffect(() => {
    if (words.current) words.current.scrollTop = 0;
  }, [now]);
  if (!now) return null;
  const checks = laid.plan.checks.filter((one) => one.step === now.id);
  const partly = leftOfStep(laid, step, desk.atBoard.done);
  return (
    <Box ref={words} sx={{ flex: 1, minWidth: 0, maxHeight: '100%', overflowY: 'auto' }} data-testid="step">
      {/* Where there is no margin a change is told here. */}
      {touch && desk.atBoard.since.change ? <FrozenSentence atBoard={desk.atBoard} /> : null}
      <Box component="p" sx={{ m: 0, fontSize: 14, color: look.faint }} data-testid="step-title">
        <span className="figure">
          {step}/{laid.plan.steps.length}
        </span>{' '}
        {now.title}
        {ticked[step - 1] ? ' · drawn' : ''}
        {left < laid.plan.steps.length && left > 0 ? ` · ${left} still to draw` : ''}
      </Box>
      <Box
        component="p"
        data-testid="step-sentence"
        aria-live="polite"
        sx={{ m: 0, fontSize: touch ? 28 : 20, lineHeight: 1.22 }}
      >
        {now.says.map((one) => say(one, style)).join(' ')}
      </Box>
      {partly === null ? null : (
        <Box component="p" data-testid="left-of-step" sx={{ m: 0, fontSize: touch ? 18 : 15, color: look.accent }}>
          {partly}
        </Box>
      )}
      {touch ? <StepLists step={now} /> : null}
      {checks.map((check) => (
        <CheckWords key={check.marks.join()} check={check} plan={laid.plan} place={laid.place} />
      ))}
      {!touch ? (
        <Box component="p" sx={{ m: 0, mt: 0.3, fontSize: 14, color: look.faint }}>
          {now.because}
        </Box>
      ) : null}
    </Box>
  );
}

/** What must meet, how much it may be missed by, and where to look when it is more. */
function CheckWords({
  check,
  plan,
  place,
}: {
  readonly check: WholeCheck;
  readonly plan: WholePlan;
  readonly place: ReadonlyMap<string, number>;
}) {
  const { style } = useSession();
  const { look } = useLook();
  const [a, b] = check.marks.map((mark) => plan.labels.get(mark) ?? '');
  const likely = check.likely
    .map(({ step, share }) => `step ${(place.get(step) ?? 0) + 1} (${Math.round(share * 100)} %)`)
    .join(', ');
  return (
    <Box component="p" data-testid="step-check" sx={{ m: 0, fontSize: 16, color: look.accent }}>
      {`Check: ${b ?? ''} must fall on ${a ?? ''}, within ${formatPaper(check.allowMm, style)}. If not, look first at ${likely}.`}
    </Box>
  );
}
