/** The catalogue: one file and one line here for each kind. */
import type { Kind } from '../kind';
import { sideChair } from './side-chair';
import { armchair } from './armchair';
import { stool } from './stool';
import { bench } from './bench';
import { table } from './table';
import { roundTable } from './round-table';
import { desk } from './desk';
import { counter } from './counter';
import { bed } from './bed';
import { bunkBed } from './bunk-bed';
import { chestOfDrawers } from './chest-of-drawers';
import { shelves } from './shelves';
import { lockers } from './lockers';
import { wardrobe } from './wardrobe';
import { crate } from './crate';
import { baseUnit } from './base-unit';
import { cornerRun } from './corner-run';
import { uRun } from './u-run';
import { wallUnit } from './wall-unit';
import { cornerWallUnit } from './corner-wall-unit';
import { island } from './island';
import { tallUnit } from './tall-unit';
import { appliance } from './appliance';
import { straightStair } from './straight-stair';
import { quarterStair } from './quarter-stair';
import { halfStair } from './half-stair';
import { winderStair } from './winder-stair';
import { railing } from './railing';
import { mirror } from './mirror';
import { picture } from './picture';
import { wallClock } from './wall-clock';
import { wallShelf } from './wall-shelf';
import { radiator } from './radiator';
import { socket } from './socket';
import { standingLamp } from './standing-lamp';
import { pendant } from './pendant';
import { screen } from './screen';
import { books } from './books';
import { rug } from './rug';
import { cord } from './cord';
import { ballKind } from './ball';
import { vase } from './vase';
import { drumKind } from './drum';
import { plantPot } from './plant-pot';
import { wasteBin } from './waste-bin';
import { column } from './column';
import { box } from './box';
import { blockKind } from './block';
import { gabledBlock } from './gabled-block';
import { archBlock } from './arch-block';

export const CATALOGUE: readonly Kind[] = [
  sideChair,
  armchair,
  stool,
  bench,
  table,
  roundTable,
  desk,
  counter,
  bed,
  bunkBed,
  chestOfDrawers,
  shelves,
  lockers,
  wardrobe,
  crate,
  baseUnit,
  cornerRun,
  uRun,
  wallUnit,
  cornerWallUnit,
  island,
  tallUnit,
  appliance,
  straightStair,
  quarterStair,
  halfStair,
  winderStair,
  railing,
  mirror,
  picture,
  wallClock,
  wallShelf,
  radiator,
  socket,
  standingLamp,
  pendant,
  screen,
  books,
  rug,
  cord,
  ballKind,
  vase,
  drumKind,
  plantPot,
  wasteBin,
  column,
  box,
  blockKind,
  gabledBlock,
  archBlock,
];

const BY_ID = new Map(CATALOGUE.map((kind) => [kind.id, kind]));

/** The kind of this name, if the catalogue has it. */
export const kindOf = (id: string): Kind | undefined => BY_ID.get(id);
export { OUTLINES_ARE } from './block';
