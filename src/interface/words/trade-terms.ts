/** The trade's own terms, explained at first meeting and in the glossary. */
export const TRADE_TERMS: readonly { readonly term: string; readonly means: string }[] = [
  { term: 'station point', means: 'Where you stand, in plan. All rays run to the eye above it.' },
  {
    term: 'picture plane',
    means:
      'The upright plane on which the picture is thought to stand. What lies in it is drawn to scale; behind it things are smaller, in front larger.',
  },
  { term: 'line of sight', means: 'The level line from the eye straight ahead, square to the picture plane.' },
  {
    term: 'centre of vision',
    means: 'Where the line of sight meets the picture. Everything sideways is measured from the upright through it.',
  },
  { term: 'horizon', means: 'Eye level. All level lines vanish on it.' },
  { term: 'ground line', means: 'Where the floor meets the picture plane. True lengths are laid off along it.' },
  { term: 'vanishing point', means: 'The point to which all lines of one direction run.' },
  { term: 'measuring point', means: 'Rulings to it carry true lengths from the ground line onto a receding line.' },
  {
    term: 'distance point',
    means:
      'The measuring point of lines square to the picture plane, as far from the centre of vision as the sheet is to be viewed from.',
  },
  {
    term: 'trace',
    means: 'Where a line, carried on, meets the picture plane. True lengths along it are measured from there.',
  },
  {
    term: 'height line',
    means: 'An upright in the picture plane: the only place where heights can be laid off to scale.',
  },
  {
    term: 'cone of vision',
    means: 'What the eye takes in without turning: 60° in all. Outside it things look stretched.',
  },
  {
    term: 'u strip, v strip',
    means:
      'The picture plane seen from above and from the side: the paper strips that carry widths down and heights across into the picture.',
  },
];
