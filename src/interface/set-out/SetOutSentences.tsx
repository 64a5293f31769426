'use client';
import { useState, type ReactNode } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { changeView, type Project, type View } from '@/core/record';
import { formatLength, formatPaper, formatScale, type LengthStyle } from '@/core/units';
import {
  centredDrawing,
  centredSheet,
  isMovable,
  movePoint,
  namedSheet,
  onSheet,
  outOfReach,
  proposeScale,
  raiseHorizon,
  rescaled,
  SHEET_FAMILIES,
  standAt,
  USUAL_BOARDS,
  whatMoved,
  widestSetOut,
  resolveSetUp,
  setOutOf,
  slideCentreOfVision,
  type Held,
  type SetOut,
  type SetUp,
  type ViewChange,
} from '@/core/view';
import { formatBareLength } from '@/core/units';
import { Choice, LengthField, PaperField, ScaleField } from '@/interface/fields';
import { useLook } from '@/interface/theme';
import { Term } from '@/interface/words';
import type { Commands } from '@/state';
import type { SetOutPaper } from './set-out-paper';
import { usualGrid } from './usual-grid';

interface SetOutSentencesProps {
  readonly project: Project;
  readonly view: View;
  readonly set: SetUp;
  readonly setOut: SetOut;
  readonly style: LengthStyle;
  readonly commands: Commands;
  readonly held: Held;
  readonly hold: (held: Held) => void;
  readonly told: readonly string[];
  readonly tell: (sentences: readonly string[]) => void;
  readonly open: (paper: SetOutPaper) => void;
  readonly readOnly: boolean;
}

function Sentence({ children }: { readonly children: ReactNode }) {
  return (
    <Box component="p" sx={{ m: 0, mb: 1, lineHeight: 1.45, fontSize: 15 }}>
      {children}
    </Box>
  );
}

/** Sheet, board, scale and the points on the horizon, in sentences with their figures editable in place. At most nine. */
export function SetOutSentences(props: SetOutSentencesProps) {
  const { told } = props;
  const { look } = useLook();
  return (
    <Box component="section" aria-label="The paper in figures">
      {told.length > 0 ? (
        <Box
          role="status"
          data-testid="what-moved"
          sx={{ borderLeft: `3px solid ${look.accent}`, pl: 1, mb: 1.2, fontSize: 14, lineHeight: 1.4 }}
        >
          {told.join(' ')}
        </Box>
      ) : null}
      <PaperSentences {...props} />
      <PointSentences {...props} />
      <GridSentence {...props} />
    </Box>
  );
}

function useChange({ commands, view, project, set, setOut, style, tell }: SetOutSentencesProps) {
  return (label: string, change: ViewChange, run?: string, moved?: string | null): void => {
    commands.change(label, (now) => changeView(now, view.id, change), run);
    if (moved === undefined) return tell([]);
    const next = { ...view, ...change };
    const room = changeView(project, view.id, change);
    const after = resolveSetUp(room, next);
    if (after.ok)
      tell(
        whatMoved(
          { view, set, setOut },
          { view: next, set: after.value, setOut: setOutOf(room, next, after.value) },
          moved,
          style,
        ),
      );
  };
}

function PaperSentences(props: SetOutSentencesProps) {
  const { project, view, style, readOnly } = props;
  const change = useChange(props);
  const stands = view.sheet.height > view.sheet.width;
  const known = SHEET_FAMILIES.some((family) => family.sheets.some((sheet) => sheet.name === view.sheet.name));
  const board = USUAL_BOARDS.find(
    (one) => Math.abs(one.width - view.board.width) < 0.01 && Math.abs(one.height - view.board.height) < 0.01,
  );
  const proposal = proposeScale(view, project.units);
  const button = { color: 'secondary.main', py: 0.25 } as const;
  return (
    <>
      <Sentence>
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
            sx={button}
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
      <Sentence>
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
          <Button size="small" sx={button} onClick={() => change('Centre the sheet', centredSheet(view))}>
            centre the sheet
          </Button>
        )}
      </Sentence>
      <Sentence>
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
                sx={button}
                onClick={() => {
                  const next = rescaled(view, proposal.denominator);
                  change('Fill the sheet', { ...next, ...centredDrawing({ ...view, ...next }) }, undefined, null);
                }}
              >
                fill the sheet
              </Button>
            ) : null}
            <Button size="small" sx={button} onClick={() => change('Centre the drawing', centredDrawing(view))}>
              centre the drawing
            </Button>
          </>
        )}
      </Sentence>
      <Sentence>
        The horizon lies{' '}
        <PaperField
          label="Horizon above the sheet’s lower edge"
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
    </>
  );
}

/** One figure while all four margins are alike, else four. */
function Margins(props: SetOutSentencesProps) {
  const { view, style, readOnly } = props;
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
          mm={margins.left}
          style={style}
          rules={{ zero: 'allowed' }}
          disabled={readOnly}
          onChange={(mm, nudged) => put({ left: mm, right: mm, bottom: mm, top: mm }, nudged ? 'all' : null)}
        />{' '}
        all round.
        {readOnly ? null : (
          <Button size="small" sx={{ color: 'secondary.main', py: 0.25 }} onClick={() => setSingly(true)}>
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

const HELD_WORDS: Readonly<Record<Held, string>> = {
  partner: 'its partner stays',
  turn: 'the turn stays',
  distance: 'the station distance stays',
};

function PointSentences(props: SetOutSentencesProps) {
  const { project, view, set, setOut, style, held, hold, tell, open, readOnly } = props;
  const change = useChange(props);
  const group = setOut.groups[0];
  const marks = (group?.marks ?? []).filter((mark) => isMovable(mark.id));
  const far = outOfReach(view, setOut);
  const widest = widestSetOut(view, group?.turnDeg ?? 0);
  const offMiddle = -(view.frame.left + view.frame.right) / 2;
  const button = { color: 'secondary.main', py: 0.25 } as const;
  return (
    <>
      <Sentence>
        From the centre line:{' '}
        {marks.map((mark, index) => (
          <span key={mark.id}>
            {index > 0 ? '; ' : ''}
            {mark.label}{' '}
            <PaperField
              label={`${mark.words.charAt(0).toUpperCase()}${mark.words.slice(1)} from the centre line`}
              mm={mark.at.u}
              style={style}
              bare={index < marks.length - 1}
              rules={{ negative: 'allowed' }}
              disabled={readOnly}
              onChange={(u, nudged) => {
                const next = movePoint(project, view, mark.id, u, held);
                if (next.ok) change(`Move ${mark.label}`, next.value, nudged ? `nudge/${mark.id}` : undefined, mark.id);
                else tell([next.error.message]);
              }}
            />
          </span>
        ))}
        .
        {group?.kind === 'one-point' ? (
          <>
            {' '}
            The <Term>vanishing point</Term> lies{' '}
            <PaperField
              label="Vanishing point from the frame’s left side"
              mm={-view.frame.left}
              style={style}
              rules={{ negative: 'allowed', zero: 'allowed' }}
              disabled={readOnly}
              onChange={(mm, nudged) =>
                change(
                  'Move the vanishing point in the frame',
                  slideCentreOfVision(project, view, mm + view.frame.left),
                  nudged ? 'nudge/centre-of-vision' : undefined,
                  'centre-of-vision',
                )
              }
            />{' '}
            from the frame’s left side,{' '}
            {Math.abs(offMiddle) < 0.05
              ? 'in its middle'
              : `${formatPaper(Math.abs(offMiddle), style)} ${offMiddle < 0 ? 'left' : 'right'} of its middle`}
            .
          </>
        ) : null}
        {group?.kind === 'two-point' ? (
          <>
            {' '}
            When one is moved,{' '}
            <Choice
              label="What stays"
              value={held}
              disabled={readOnly}
              options={(['partner', 'turn', 'distance'] as const).map((value) => ({ value, words: HELD_WORDS[value] }))}
              onChange={hold}
            />
            .
          </>
        ) : null}
      </Sentence>
      <Sentence>
        The straightedge is{' '}
        <PaperField
          label="Length of the straightedge"
          mm={view.straightedge}
          style={style}
          disabled={readOnly}
          onChange={(straightedge, nudged) =>
            change('Change the straightedge', { straightedge }, nudged ? 'nudge/straightedge' : undefined)
          }
        />{' '}
        long.{' '}
        {far.length === 0
          ? 'Every point of the room is within reach.'
          : `Out of reach: ${far
              .map(({ mark, rulerReaches }) =>
                mark.lies.where === 'off-board'
                  ? `${mark.label}, ${formatPaper(mark.lies.beyondBoard, style)} off the board`
                  : rulerReaches
                    ? mark.label
                    : `${mark.label}, the ruler is too short`,
              )
              .join('; ')}.`}
        {far.length > 0 || view.aids.length > 0 ? (
          <Button
            size="small"
            sx={{ ...button, color: far.length > 0 ? 'error.main' : 'secondary.main' }}
            onClick={() => open('reach')}
          >
            {far.length > 0 ? 'bring them back' : 'what was done about it'}
          </Button>
        ) : null}
      </Sentence>
      <Sentence>
        {widest === null ? (
          'The sheet is larger than the board: no set-out fits on it.'
        ) : (
          <>
            The widest set-out this board allows{group && group.turnDeg > 0 ? ' at this turn' : ''} has its station{' '}
            {formatLength(widest.viewingDistance * view.scaleDenominator, style)} before the picture plane; it is{' '}
            {formatLength(set.pictureDistance, style)} now.
            {readOnly ? null : (
              <Button
                size="small"
                sx={button}
                onClick={() =>
                  change(
                    'The widest set-out this board allows',
                    {
                      ...standAt(project, view, {
                        pictureDistance: widest.viewingDistance * view.scaleDenominator,
                      }),
                      sheetOnBoard: widest.sheetOnBoard,
                    },
                    undefined,
                    null,
                  )
                }
              >
                set it out as wide as that
              </Button>
            )}
          </>
        )}
      </Sentence>
    </>
  );
}

function GridSentence(props: SetOutSentencesProps) {
  const { view, style, readOnly } = props;
  const change = useChange(props);
  const grid = view.grid;
  const button = { color: 'secondary.main', py: 0.25 } as const;
  if (!grid)
    return (
      <Sentence>
        No grid is laid.
        {readOnly ? null : (
          <Button size="small" sx={button} onClick={() => change('Lay a grid', { grid: usualGrid(style.units) })}>
            lay a grid of {style.units === 'imperial' ? 'feet' : 'half metres'}
          </Button>
        )}
      </Sentence>
    );
  return (
    <Sentence>
      A grid of{' '}
      <LengthField
        label="Unit of the grid"
        mm={grid.unit.mm}
        style={style}
        disabled={readOnly}
        onChange={(mm, asTyped, nudged) => {
          if (mm >= 10)
            change('Change the grid', { grid: { ...grid, unit: { mm, asTyped } } }, nudged ? 'nudge/grid' : undefined);
          else props.tell(['A grid finer than 10 mm would be a grey wash: type a larger unit.']);
        }}
      />{' '}
      lies on{' '}
      {(['floor', 'walls', 'ceiling'] as const).map((on) => (
        <Button
          key={on}
          size="small"
          aria-pressed={grid[on]}
          disabled={readOnly}
          sx={{
            py: 0.25,
            textDecoration: grid[on] ? 'underline' : 'line-through',
            color: grid[on] ? 'secondary.main' : undefined,
          }}
          onClick={() => change('Change the grid', { grid: { ...grid, [on]: !grid[on] } })}
        >
          {on}
        </Button>
      ))}
      {readOnly ? null : (
        <Button size="small" sx={button} onClick={() => change('Take the grid off', { grid: null })}>
          take it off
        </Button>
      )}
    </Sentence>
  );
}
