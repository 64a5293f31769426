/**
 * The most that is made of what follows from a size: counted before it is made, in one place. Beyond them nobody draws it, and working it out would
 * take longer than anybody waits; where it matters that is said in words.
 */
export const MOST_MADE = {
  /** Joints of a pattern: above it only the long ones are drawn. */
  joints: 4000,
  /** Rows of a pattern, or lights in one row: above it it is not laid. */
  rows: 2000,
  /** Lines of a grid on one face: more would be a grey wash. */
  gridLines: 400,
  /** Ticks along one edge of the sheet: a finer ladder than a pencil can tell apart. */
  edgeTicks: 400,
  /** Pages of a small printer that sheets are cut into, of one print. */
  pages: 400,
  /** Pages of cards and lists of one print. */
  listed: 800,
  /** Flat and round faces of one piece, whatever its numbers of drawers, bays, shelves and steps come to together. */
  faces: 20_000,
} as const;
