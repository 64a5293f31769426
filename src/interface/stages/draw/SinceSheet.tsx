'use client';
import { useMemo } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { ORDER_WORDS, SCHOOLS } from '@/core/construction';
import { formatPaper } from '@/core/units';
import type { FrozenPlan } from '@/core/formats/frozen';
import { namesIn } from '@/core/pipeline';
import type { Seen } from '@/interface/at-board';
import { SmallTable } from '@/interface/fields';
import type { Sheet } from '@/interface/frame';
import { frozenPage } from '@/interface/outputs';
import { PaperSheet } from '@/interface/paper';
import { useServices } from '@/interface/services';
import { useSession } from '@/interface/session';
import { dayAndTime } from '@/interface/words';
import { countWords, sinceWords, wrongParts } from './since-words';
import type { Drawn } from './use-drawing';

/** So many marks of a row are named. */
const MOST_NAMED = 12;

/** What became of the plan at the board: which drawn strokes are wrong and by how much, the least still to be drawn, and the plans as they were. */
function SinceSheet({ given, close }: { readonly given: Seen & Drawn; readonly close: () => void }) {
  const { atBoard } = given;
  const { frozen, since } = atBoard;
  return (
    <PaperSheet label="Since it went to the board" title="Since it went to the board" high="64%" close={close}>
      {frozen.length === 0 ? (
        <Box role="status">
          No plan of this view is at the board yet. The first tick, or the page for a tablet, takes it there: from then
          on each change of the record is held against what is drawn.
        </Box>
      ) : since.change && since.still ? (
        <Changed desk={given} close={close} />
      ) : (
        <Box role="status">The plan at the board is the plan of the record: nothing that is drawn is wrong.</Box>
      )}
      {frozen.length > 0 ? <Plans frozen={frozen} drawn={[...since.drawn]} /> : null}
    </PaperSheet>
  );
}

function Changed({ desk, close }: { readonly desk: Seen & Drawn; readonly close: () => void }) {
  const { project, style, readOnly } = useSession();
  const { atBoard, jump } = desk;
  const { change, still } = atBoard.since;
  const nameOf = useMemo(() => namesIn(project), [project]);
  if (!change || !still) return null;
  const before = change.wrong.length + change.unwanted.length + change.kept.size;
  const parts = wrongParts(change, nameOf);
  return (
    <>
      <Box role="status" data-testid="since-words" sx={{ fontSize: 17, lineHeight: 1.5, mb: 1 }}>
        {sinceWords(change, still, before, style).map((one, i) => (
          <Box component="p" key={i} sx={{ m: 0, mb: 0.3 }}>
            {one}
          </Box>
        ))}
      </Box>
      <Box sx={{ mb: 1.5, display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button
          variant="outlined"
          disabled={readOnly}
          onClick={() => {
            atBoard.takeUp();
            const [first] = still.steps;
            if (first !== undefined) jump(first);
            close();
          }}
        >
          go on by the new plan
        </Button>
        <Box component="span" sx={{ alignSelf: 'center', fontSize: 14 }}>
          What is right stays ticked, what is wrong is to be drawn again; steps that nothing needs any more are passed
          over.
        </Box>
      </Box>
      {parts.length > 0 ? (
        <SmallTable label="What is wrong" rows="roomy" heads={['drawn', 'strokes', 'off, at most', '']}>
          {parts.map(({ name, count, byMm, marks }) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              <td className="figure">{countWords(count)}</td>
              <td className="figure">{formatPaper(byMm, style)}</td>
              <td style={{ whiteSpace: 'normal', textAlign: 'left' }}>
                {marks
                  .slice(0, MOST_NAMED)
                  .map((one) => `${one.label}: ${formatPaper(one.byMm, style)}`)
                  .join('; ')}
                {marks.length > MOST_NAMED ? '; and others' : ''}
              </td>
            </tr>
          ))}
        </SmallTable>
      ) : null}
    </>
  );
}

/** The plans as they were taken to the board: each can be read still. */
function Plans({ frozen, drawn }: { readonly frozen: readonly FrozenPlan[]; readonly drawn: readonly string[] }) {
  const { takeAway } = useServices();
  return (
    <Box sx={{ mt: 2 }}>
      {[...frozen].reverse().map((one) => (
        <Box key={one.digest} sx={{ display: 'flex', alignItems: 'flex-start', gap: 1, mb: 0.5 }}>
          <Box component="details" sx={{ flex: 1 }}>
            <Box component="summary" sx={{ cursor: 'pointer', minHeight: 24 }}>
              The plan of {dayAndTime(one.frozenAt)}, {SCHOOLS[one.school].words}, {ORDER_WORDS[one.order]},{' '}
              {one.page.steps.length} steps
            </Box>
            <Box component="ol" aria-label={`Steps of the plan of ${dayAndTime(one.frozenAt)}`} sx={{ fontSize: 14.5 }}>
              {one.page.steps.map((step, i) => (
                <li key={i}>
                  <b>{step.title}.</b> {step.says.join(' ')}
                  {step.rows.map((cells, n) => (
                    <div key={n}>{cells.filter((cell) => cell !== '').join(', ')}</div>
                  ))}
                </li>
              ))}
            </Box>
          </Box>
          <Button size="small" onClick={() => takeAway(...frozenPage(one, one === frozen.at(-1) ? drawn : []))}>
            take it away as a page
          </Button>
        </Box>
      ))}
    </Box>
  );
}

export const since: Sheet<Seen & Drawn> = {
  button: 'since it went to the board',
  inMargin: 'since the board',
  key: {
    keys: 'shift+b',
    shown: 'Shift B',
    does: 'what changed since the plan went to the board: what is wrong, what to draw again',
  },
  changes: false,
  Dialog: SinceSheet,
};
