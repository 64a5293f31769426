'use client';
import { capital } from '@/core/base';
import Button from '@mui/material/Button';
import { BOUNDS, type View } from '@/core/record';
import { formatLength, formatPaper } from '@/core/units';
import {
  groupServing,
  isMovable,
  movePoint,
  outOfReach,
  slideCentreOfVision,
  standAt,
  turnToVanish,
  widestSetOut,
  type Held,
} from '@/core/view';
import { Choice, PaperField } from '@/interface/fields';
import { Term } from '@/interface/words';
import { Sentence, useOpenSheet } from '@/interface/frame';
import { keptState, useKept, useSession } from '@/interface/session';
import { reach } from './ReachSheet';
import { inSentence, useChange, type SetOutSentencesProps } from './use-change';

const HELD_WORDS: Readonly<Record<Held, string>> = {
  partner: 'its partner stays',
  turn: 'the turn stays',
  distance: 'the station distance stays',
};

/** The room's points on the horizon, what of them is within reach, and the widest set-out. */
export function PointSentences(props: SetOutSentencesProps) {
  return (
    <>
      <PointsSentence {...props} />
      <OwnPointsSentence {...props} />
      <StraightedgeSentence {...props} />
      <WidestSentence {...props} />
    </>
  );
}

/** What points on the horizon are counted from, and how far to the left of the centre line that lies, mm. */
const COUNTED_FROM = {
  centre: { words: 'the centre line', left: () => 0 },
  frame: { words: 'the frame’s left side', left: (view: View) => -view.frame.left },
  sheet: { words: 'the sheet’s left edge', left: (view: View) => view.centreOfVisionOnSheet.x },
} as const;
type CountedFrom = keyof typeof COUNTED_FROM;
const COUNTED = keptState<CountedFrom>('centre');

/** Where each point lies from the centre line, the frame or the sheet; moved, the others follow by what is held. */
function PointsSentence(props: SetOutSentencesProps) {
  const { project, view, style, readOnly, kept } = useSession();
  const change = useChange(props);
  const { setOut } = props;
  const { held, hold, tell } = props.desk;
  const [from, countFrom] = useKept(kept, COUNTED);
  const { words, left } = COUNTED_FROM[from];
  const off = left(view);
  const group = setOut.room;
  const marks = group.marks.filter((mark) => isMovable(setOut, mark));
  const offMiddle = -(view.frame.left + view.frame.right) / 2;
  return (
    <Sentence folds={{ order: 8, says: `The points: ${marks.map((mark) => mark.label).join(', ')}` }}>
      From{' '}
      <Choice
        label="What the points are counted from"
        value={from}
        options={(['centre', 'frame', 'sheet'] as const).map((value) => ({ value, words: COUNTED_FROM[value].words }))}
        onChange={countFrom}
      />
      :{' '}
      {marks.map((mark, index) => (
        <span key={mark.id}>
          {index > 0 ? '; ' : ''}
          {mark.label} at{' '}
          <PaperField
            label={`${capital(mark.words)} from ${words}`}
            within={BOUNDS.guess}
            mm={mark.at.u + off}
            style={style}
            bare={index < marks.length - 1}
            rules={{ negative: 'allowed', zero: from === 'centre' ? 'refused' : 'allowed' }}
            disabled={readOnly}
            onChange={(mm, nudged) => {
              const next = movePoint(project, view, mark.name, mm - off, held);
              if (next.ok) change(`Move ${mark.label}`, next.value, nudged ? `nudge/${mark.id}` : undefined, mark.id);
              else tell([next.error.message]);
            }}
          />
        </span>
      ))}
      .
      {group.kind === 'one-point' ? (
        <>
          {' '}
          The <Term>vanishing point</Term> lies{' '}
          <PaperField
            label="Vanishing point from the frame’s left side"
            within={BOUNDS.frame}
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
      {group.kind === 'two-point' ? (
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
  );
}

/** The points of the chosen piece's own, where it is turned otherwise than the room: put elsewhere, they turn the piece. */
function OwnPointsSentence({ setOut, setUp, desk: { tell } }: SetOutSentencesProps) {
  const { project, view, chosen, style, readOnly, commands, kept } = useSession();
  const [from] = useKept(kept, COUNTED);
  const { words, left } = COUNTED_FROM[from];
  const piece = project.pieces.find((one) => one.id === chosen);
  const own = piece && groupServing(setOut, piece.id);
  if (!piece || !own || own === setOut.room) return null;
  const marks = own.marks.filter(({ name }) => name.role === 'vanishing');
  const off = left(view);
  return (
    <Sentence folds={{ order: 8, says: `Points of ${piece.name}: ${marks.map((mark) => mark.label).join(', ')}` }}>
      {capital(piece.name)} has its own, from {words}:{' '}
      {marks.map((mark, index) => (
        <span key={mark.id}>
          {index > 0 ? '; ' : ''}
          {mark.label} at{' '}
          <PaperField
            label={`${mark.label} of ${piece.name} from ${words}`}
            within={BOUNDS.guess}
            mm={mark.at.u + off}
            style={style}
            bare={index < marks.length - 1}
            rules={{ negative: 'allowed', zero: 'allowed' }}
            disabled={readOnly}
            onChange={(mm, nudged) => {
              const turnDeg = turnToVanish(setUp, piece.place.turnDeg, mark.at.u, mm - off);
              commands.change(
                `Turn ${piece.name} by ${mark.label}`,
                { kind: 'turn-piece-about-middle', pieceId: piece.id, turnDeg },
                nudged ? `nudge/turn-${piece.id}` : undefined,
              );
              tell([
                `${capital(piece.name)} is turned about its middle, by ${degreesWords(turnDeg - piece.place.turnDeg)}.`,
              ]);
            }}
          />
        </span>
      ))}
      . Put elsewhere, they turn it.
    </Sentence>
  );
}

const degreesWords = (turned: number): string => {
  const way = (((turned % 360) + 540) % 360) - 180;
  return `${Math.abs(Math.round(way * 100) / 100)}° ${way < 0 ? 'anticlockwise' : 'clockwise'}`;
};

/** How long the ruler is, and which points it and the board do not reach. */
function StraightedgeSentence(props: SetOutSentencesProps) {
  const { view, style, readOnly } = useSession();
  const change = useChange(props);
  const { lay } = useOpenSheet();
  const far = outOfReach(view, props.setOut);
  return (
    <Sentence
      folds={{
        // What is out of reach is the next thing to do.
        order: far.length === 0 ? 4 : 10,
        says: `The straightedge: ${far.length === 0 ? 'all within reach' : `${far.length} out of reach`}`,
      }}
    >
      The straightedge is{' '}
      <PaperField
        label="Length of the straightedge"
        within={BOUNDS.straightedge}
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
          sx={{ ...inSentence, color: far.length > 0 ? 'error.main' : 'secondary.main' }}
          onClick={() => lay(reach)}
        >
          {far.length > 0 ? 'bring them back' : 'what was done about it'}
        </Button>
      ) : null}
    </Sentence>
  );
}

/** The widest set-out the board allows, beside the one there is. */
function WidestSentence(props: SetOutSentencesProps) {
  const { project, view, style, readOnly } = useSession();
  const change = useChange(props);
  const { setUp } = props;
  const group = props.setOut.room;
  const widest = widestSetOut(view, group.turnDeg);
  return (
    <Sentence folds={{ order: 1, says: 'The widest set-out of this board' }}>
      {widest === null ? (
        'The sheet is larger than the board: no set-out fits on it.'
      ) : (
        <>
          The widest set-out this board allows{group.turnDeg > 0 ? ' at this turn' : ''} has its station{' '}
          {formatLength(widest.viewingDistance * view.scaleDenominator, style)} before the picture plane; it is{' '}
          {formatLength(setUp.pictureDistance, style)} now.
          {readOnly ? null : (
            <Button
              size="small"
              sx={inSentence}
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
  );
}
