'use client';
import { useState } from 'react';
import Button from '@mui/material/Button';
import { BOUNDS, type View } from '@/core/record';
import { formatBareLength, formatScale } from '@/core/units';
import {
  centredDrawing,
  centredSheet,
  namedSheet,
  onSheet,
  proposeScale,
  raiseHorizon,
  rescaled,
  SHEET_FAMILIES,
  USUAL_BOARDS,
} from '@/core/view';
import { Choice, PaperField, ScaleField } from '@/interface/fields';
import { Term } from '@/interface/words';
import { Sentence } from '@/interface/frame';
import { useSession } from '@/interface/session';
import { FrameSentence } from './FrameSentence';
import { inSentence, useChange, type SetOutSentencesProps } from './use-change';

/** Sheet, board, scale, and where the drawing lies on the sheet. */
export function PaperSentences(props: SetOutSentencesProps) {
  return (
    <>
      <SheetSentence {...props} />
      <BoardSentence {...props} />
      <ScaleSentence {...props} />
      <HorizonSentence {...props} />
      <FrameSentence {...props} />
    </>
  );
}

/** The sheet, upright or lying, and its margins. */
function SheetSentence(props: SetOutSentencesProps) {
  const { view, style, readOnly } = useSession();
  const change = useChange(props);
  const stands = view.sheet.height > view.sheet.width;
  const known = SHEET_FAMILIES.some((family) => family.sheets.some((sheet) => sheet.name === view.sheet.name));
  return (
    <Sentence folds={{ order: 5, says: `The sheet, ${view.sheet.name}` }}>
      The sheet is{' '}
      <Choice
        label="Sheet"
        value={known ? view.sheet.name : 'own'}
        disabled={readOnly}
        options={[
          ...SHEET_FAMILIES.flatMap((family) =>
            family.sheets.map((sheet) => ({ value: sheet.name, words: sheet.name, group: family.name })),
          ),
          { value: 'own', words: 'of its own size', group: 'own' },
        ]}
        onChange={(name) => {
          const sheet = namedSheet(name, stands);
          change('Take another sheet', sheet ? onSheet(view, sheet) : { sheet: { ...view.sheet, name: 'own size' } });
        }}
      />
      ,{' '}
      <PaperField
        label="Width of the sheet"
        within={BOUNDS.sheetSide}
        mm={view.sheet.width}
        style={style}
        bare
        disabled={readOnly}
        onChange={(width, nudged) =>
          change(
            'Change the sheet',
            onSheet(view, { ...view.sheet, name: 'own size', width }),
            nudged ? 'nudge/sheet-width' : undefined,
          )
        }
      />{' '}
      by{' '}
      <PaperField
        label="Height of the sheet"
        within={BOUNDS.sheetSide}
        mm={view.sheet.height}
        style={style}
        disabled={readOnly}
        onChange={(height, nudged) =>
          change(
            'Change the sheet',
            onSheet(view, { ...view.sheet, name: 'own size', height }),
            nudged ? 'nudge/sheet-height' : undefined,
          )
        }
      />
      {readOnly ? null : (
        <Button
          size="small"
          sx={inSentence}
          onClick={() =>
            change(
              'Turn the sheet',
              onSheet(view, { name: view.sheet.name, width: view.sheet.height, height: view.sheet.width }),
            )
          }
        >
          {stands ? 'lay it' : 'stand it up'}
        </Button>
      )}
      ; margins <Margins {...props} />
    </Sentence>
  );
}

/** The board, and where the sheet is taped on it. */
function BoardSentence(props: SetOutSentencesProps) {
  const { view, style, readOnly } = useSession();
  const change = useChange(props);
  const board = USUAL_BOARDS.find(
    (one) => Math.abs(one.width - view.board.width) < 0.01 && Math.abs(one.height - view.board.height) < 0.01,
  );
  return (
    <Sentence folds={{ order: 3, says: 'The board, and where the sheet is taped' }}>
      It is taped on a{' '}
      <Choice
        label="Board"
        value={board?.name ?? 'own'}
        disabled={readOnly}
        options={[
          ...USUAL_BOARDS.map((one) => ({ value: one.name, words: one.name })),
          { value: 'own', words: 'board' },
        ]}
        onChange={(name) => {
          const next = USUAL_BOARDS.find((one) => one.name === name);
          if (next)
            change('Take another board', {
              board: { width: next.width, height: next.height },
              ...centredSheet({ ...view, board: { width: next.width, height: next.height } }),
            });
        }}
      />{' '}
      of{' '}
      <PaperField
        label="Width of the board"
        within={BOUNDS.boardSide}
        mm={view.board.width}
        style={style}
        bare
        disabled={readOnly}
        onChange={(width, nudged) =>
          change('Change the board', { board: { ...view.board, width } }, nudged ? 'nudge/board-width' : undefined)
        }
      />{' '}
      by{' '}
      <PaperField
        label="Height of the board"
        within={BOUNDS.boardSide}
        mm={view.board.height}
        style={style}
        disabled={readOnly}
        onChange={(height, nudged) =>
          change('Change the board', { board: { ...view.board, height } }, nudged ? 'nudge/board-height' : undefined)
        }
      />
      , its corner{' '}
      <PaperField
        label="Sheet from the board’s left edge"
        within={BOUNDS.placeOnPaper}
        mm={view.sheetOnBoard.x}
        style={style}
        bare
        rules={{ zero: 'allowed', negative: 'allowed' }}
        disabled={readOnly}
        onChange={(x, nudged) =>
          change(
            'Move the sheet on the board',
            { sheetOnBoard: { ...view.sheetOnBoard, x } },
            nudged ? 'nudge/sheet-x' : undefined,
          )
        }
      />{' '}
      from the left and{' '}
      <PaperField
        label="Sheet from the board’s lower edge"
        within={BOUNDS.placeOnPaper}
        mm={view.sheetOnBoard.y}
        style={style}
        rules={{ zero: 'allowed', negative: 'allowed' }}
        disabled={readOnly}
        onChange={(y, nudged) =>
          change(
            'Move the sheet on the board',
            { sheetOnBoard: { ...view.sheetOnBoard, y } },
            nudged ? 'nudge/sheet-y' : undefined,
          )
        }
      />{' '}
      from below.
      {readOnly ? null : (
        <Button size="small" sx={inSentence} onClick={() => change('Centre the sheet', centredSheet(view))}>
          centre the sheet
        </Button>
      )}
    </Sentence>
  );
}

/** The scale, and how well it fills the sheet. */
function ScaleSentence(props: SetOutSentencesProps) {
  const { project, view, readOnly } = useSession();
  const change = useChange(props);
  const proposal = proposeScale(view, project.units);
  return (
    <Sentence folds={{ order: 7, says: `The scale, ${formatScale(view.scaleDenominator, project.units)}` }}>
      The measured plane is drawn at{' '}
      <ScaleField
        denominator={view.scaleDenominator}
        units={project.units}
        disabled={readOnly}
        onChange={(denominator) => change('Change the scale', rescaled(view, denominator), undefined, null)}
      />
      {proposal === null
        ? '; no usual scale fits inside these margins.'
        : proposal.denominator === view.scaleDenominator
          ? `, which fills ${Math.round(proposal.fills * 100)} % of the sheet: no larger usual scale fits.`
          : `; ${formatScale(proposal.denominator, project.units)} would fill ${Math.round(proposal.fills * 100)} %.`}
      {readOnly ? null : (
        <>
          {proposal && proposal.denominator !== view.scaleDenominator ? (
            <Button
              size="small"
              sx={inSentence}
              onClick={() => {
                const next = rescaled(view, proposal.denominator);
                change('Fill the sheet', { ...next, ...centredDrawing({ ...view, ...next }) }, undefined, null);
              }}
            >
              fill the sheet
            </Button>
          ) : null}
          <Button size="small" sx={inSentence} onClick={() => change('Centre the drawing', centredDrawing(view))}>
            centre the drawing
          </Button>
        </>
      )}
    </Sentence>
  );
}

/** Where horizon and centre line lie on the sheet. */
function HorizonSentence(props: SetOutSentencesProps) {
  const { view, style, readOnly } = useSession();
  const change = useChange(props);
  return (
    <Sentence folds={{ order: 9, says: 'The horizon and the centre line' }}>
      The horizon lies{' '}
      <PaperField
        label="Horizon above the sheet’s lower edge"
        within={BOUNDS.placeOnPaper}
        mm={view.centreOfVisionOnSheet.y}
        style={style}
        rules={{ negative: 'allowed', zero: 'allowed' }}
        disabled={readOnly}
        onChange={(y, nudged) =>
          change(
            'Move the drawing on the sheet',
            { centreOfVisionOnSheet: { ...view.centreOfVisionOnSheet, y } },
            nudged ? 'nudge/horizon-y' : undefined,
          )
        }
      />{' '}
      above the sheet’s lower edge and{' '}
      <PaperField
        label="Horizon above the ground line"
        within={BOUNDS.placeOnPaper}
        mm={-props.setOut.groundLineV}
        style={style}
        disabled={readOnly}
        onChange={(mm, nudged) =>
          change(
            'Move the horizon',
            raiseHorizon(view, mm + props.setOut.groundLineV, (eye) => formatBareLength(eye, style)),
            nudged ? 'nudge/horizon' : undefined,
            'horizon',
          )
        }
      />{' '}
      above the <Term>ground line</Term>; the centre line{' '}
      <PaperField
        label="Centre line from the sheet’s left edge"
        within={BOUNDS.placeOnPaper}
        mm={view.centreOfVisionOnSheet.x}
        style={style}
        rules={{ negative: 'allowed', zero: 'allowed' }}
        disabled={readOnly}
        onChange={(x, nudged) =>
          change(
            'Move the drawing on the sheet',
            { centreOfVisionOnSheet: { ...view.centreOfVisionOnSheet, x } },
            nudged ? 'nudge/centre-x' : undefined,
          )
        }
      />{' '}
      from its left edge.
    </Sentence>
  );
}

/** One figure while all four margins are alike, else four. */
function Margins(props: SetOutSentencesProps) {
  const { view, style, readOnly } = useSession();
  const change = useChange(props);
  const { margins } = view;
  const alike = MARGIN_SIDES.every((side) => margins[side] === margins.left);
  const [singly, setSingly] = useState(false);
  const put = (next: View['margins'], run: string | null): void =>
    change('Change the margins', { margins: next }, run === null ? undefined : `nudge/margin-${run}`);
  if (alike && !singly)
    return (
      <>
        <PaperField
          label="Margin all round"
          within={BOUNDS.margin}
          mm={margins.left}
          style={style}
          rules={{ zero: 'allowed' }}
          disabled={readOnly}
          onChange={(mm, nudged) => put({ left: mm, right: mm, bottom: mm, top: mm }, nudged ? 'all' : null)}
        />{' '}
        all round.
        {readOnly ? null : (
          <Button size="small" sx={inSentence} onClick={() => setSingly(true)}>
            each by itself
          </Button>
        )}
      </>
    );
  return (
    <>
      {MARGIN_SIDES.map((side, index) => (
        <span key={side}>
          {index > 0 ? ', ' : ''}
          <PaperField
            label={`Margin ${MARGIN_WORDS[side]}`}
            within={BOUNDS.margin}
            mm={margins[side]}
            style={style}
            bare={index < 3}
            rules={{ zero: 'allowed' }}
            disabled={readOnly}
            onChange={(mm, nudged) => put({ ...margins, [side]: mm }, nudged ? side : null)}
          />{' '}
          {MARGIN_WORDS[side]}
        </span>
      ))}
      .
    </>
  );
}

const MARGIN_SIDES = ['left', 'right', 'bottom', 'top'] as const;
const MARGIN_WORDS = { left: 'left', right: 'right', bottom: 'below', top: 'above' } as const;
