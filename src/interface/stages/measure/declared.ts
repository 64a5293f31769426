import type { Key, Sheet } from '@/interface/frame';
import { outline } from './OutlineSheet';
import { sizes } from './SizesSheet';
import { templates } from './TemplateSheet';
import type { Measuring } from './use-measure';
import { walls } from './WallsSheet';

export const KEYS: readonly Key<Measuring>[] = [
  { keys: 'f', shown: 'F', does: 'fit the plan to the paper', act: (desk) => desk.boardRef.current?.fit() },
  {
    ...{ keys: 'q', shown: 'Q', does: 'turn the plan to drop into the elevation; north up again' },
    act: (desk) => desk.boardRef.current?.turn(),
  },
  { keys: 'n', shown: 'N', does: 'choose the next wall, opening or piece', act: ({ chosen }) => chosen.walk(1) },
  { keys: 'shift+n', shown: 'Shift N', does: 'the one before', act: ({ chosen }) => chosen.walk(-1) },
  { keys: 'p', shown: 'P', does: 'choose the next piece', act: ({ chosen }) => chosen.walkPieces(1) },
  { keys: 'shift+p', shown: 'Shift P', does: 'choose the piece before', act: ({ chosen }) => chosen.walkPieces(-1) },
  { keys: 'k', shown: 'K', does: 'choose the next piece as well', act: ({ chosen }) => chosen.chooseToo() },
  { keys: 'v', shown: 'V', does: 'a piece from the front or from its side', act: ({ chosen }) => chosen.turnSide() },
  { keys: 'ctrl+c, meta+c', shown: 'Ctrl C', does: 'copy what is chosen', act: (desk) => desk.copy() },
  { keys: 'ctrl+v, meta+v', shown: 'Ctrl V', does: 'paste it', act: (desk) => desk.paste() },
  { keys: 'u', shown: 'U', does: 'duplicate what is chosen', act: (desk) => desk.duplicate() },
  { keys: 'r', shown: 'R', does: 'repeat it in a row', act: (desk) => desk.repeat() },
  { keys: 'x', shown: 'X', does: 'mirror it', act: (desk) => desk.mirror() },
  { keys: 'a', shown: 'A', does: 'align the chosen pieces with the first', act: (desk) => desk.alignNear() },
  { keys: 'delete, backspace', shown: 'Del', does: 'take out what is chosen', act: (desk) => desk.remove() },
];

/** In the order of their buttons. */
export const SHEETS: readonly Sheet<Measuring>[] = [walls, templates, sizes, outline];
