'use client';
import { useMemo, useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { err, ok } from '@/core/base';
import { cameOutWrong, marksByPass, say, wrongWords, type MarkId } from '@/core/construction';
import { handWith } from '@/core/pipeline';
import type { Seen } from '@/interface/at-board';
import { PaperField, TypedField } from '@/interface/fields';
import type { Sheet } from '@/interface/frame';
import { PaperSheet } from '@/interface/paper';
import { useSession } from '@/interface/session';
import { useServices } from '@/interface/services';
import { stepOf, type Drawn, type DrawnStep } from './use-drawing';

/** What a mark may be off by, mm on paper. */
const OFF = { least: 0, most: 500, in: 'mm on paper' } as const;

/** The mark one looks at: pointed at, or the last that the step has made. */
function markAtHand({ laid, step, pointed }: DrawnStep): MarkId | null {
  if (pointed?.is === 'mark') return pointed.mark;
  for (let i = step - 1; i >= 0; i -= 1) {
    const last = laid.marks[i]?.at(-1);
    if (last !== undefined) return last;
  }
  return null;
}

/** A mark is off: what to look at, whether it matters, and the shortest way to put it right. */
function WrongSheet({ given, close }: { readonly given: Seen & Drawn; readonly close: () => void }) {
  const { drawn } = given;
  return (
    <PaperSheet label="This came out wrong" title="This came out wrong" high="46%" close={close}>
      {drawn ? <WrongMark drawn={drawn} desk={given} /> : null}
    </PaperSheet>
  );
}

function WrongMark({ drawn, desk }: { readonly drawn: DrawnStep; readonly desk: Seen & Drawn }) {
  const { project, style } = useSession();
  const { tools } = useServices();
  const { done } = desk.atBoard;
  const [mark, setMark] = useState(() => markAtHand(drawn));
  const [offMm, setOff] = useState<number | null>(null);
  const { laid } = drawn;
  const { plan, paper } = laid;
  const says = useMemo(() => {
    if (mark === null) return [];
    const off = { mark, offMm };
    const found = cameOutWrong(plan, handWith(project), off, (stroke) => done.has(stroke), tools.pace);
    const listed = marksByPass(plan, paper).flatMap(({ marks }) => marks);
    return wrongWords(found, plan, off, listed.find((one) => one.mark === mark) ?? null).map((one) => say(one, style));
  }, [mark, offMm, plan, paper, done, project, tools.pace, style]);
  const byLabel = useMemo(() => new Map([...plan.labels].map(([id, label]) => [label, id])), [plan]);
  if (mark === null) return <p>No mark is made yet.</p>;
  const pointed = { is: 'mark', mark } as const;
  return (
    <Box sx={{ fontSize: 17, lineHeight: 1.5 }}>
      <Box component="p" sx={{ m: 0, mb: 1 }}>
        The mark{' '}
        <TypedField
          label="The mark that is off"
          shown={plan.labels.get(mark) ?? ''}
          hint="Its name as it stands beside it, as 12 or k3"
          read={(text) => {
            const found = byLabel.get(text.trim());
            return found === undefined
              ? err({ message: `The plan has no mark “${text.trim()}”. Write its name as it stands beside it.` })
              : ok(() => setMark(found));
          }}
        />{' '}
        is off by{' '}
        <PaperField label="By how much it is off" mm={offMm ?? 0} style={style} within={OFF} onChange={setOff} />
        {offMm === null ? ' (measure it, if you can).' : '.'}{' '}
        <Button
          size="small"
          onClick={() => {
            desk.jump(stepOf(laid, pointed));
            desk.pointAt(pointed);
          }}
        >
          show its step
        </Button>
      </Box>
      <Box role="status" data-testid="wrong-words">
        {says.map((one, i) => (
          <Box component="p" key={i} sx={{ m: 0, mb: 0.5 }}>
            {one}
          </Box>
        ))}
      </Box>
    </Box>
  );
}

export const wrong: Sheet<Seen & Drawn> = {
  button: 'this came out wrong',
  inMargin: 'came out wrong',
  key: { keys: 'shift+w', shown: 'Shift W', does: 'a mark came out wrong: what to look at, and what to draw again' },
  changes: false,
  Dialog: WrongSheet,
};
