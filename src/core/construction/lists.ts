import { ALPHABET } from './label';

/** A list of labels is broken off before a sentence is longer than this. */
const LONGEST_LIST = 180;
/** So many numbers in a row are told by the first and the last of them. */
const A_RUN = 4;

/** Whether a label comes next after another: 4 after 3, b2 after a2; a3 does not follow z2, where one would have to know the letters. */
function follows(one: string, next: string): boolean {
  if (/^\d+$/.test(one)) return Number(next) === Number(one) + 1;
  const [letter, round] = [one.charAt(0), one.slice(1)];
  if (!/^\d*$/.test(round)) return false;
  const i = ALPHABET.indexOf(letter);
  return i >= 0 && i + 1 < ALPHABET.length && next === `${ALPHABET.charAt(i + 1)}${round}`;
}

/** Labels as they are told: "112 … 147" for some in a row. */
function runsOf(labels: readonly string[]): readonly string[] {
  const told: string[] = [];
  for (let i = 0; i < labels.length;) {
    let next = i + 1;
    // Up, or down.
    const [first = '', second = ''] = labels.slice(i, i + 2);
    const runs = follows(first, second) ? follows : (one: string, other: string): boolean => follows(other, one);
    while (next < labels.length && runs(labels[next - 1] ?? '', labels[next] ?? '')) next += 1;
    if (next - i >= A_RUN) told.push(`${labels[i] ?? ''} … ${labels[next - 1] ?? ''}`);
    else told.push(...labels.slice(i, next));
    i = next;
  }
  return told;
}

/** "a, b and c", in pieces short enough for a sentence each. */
export function* lists(all: readonly string[]): Generator<string> {
  const labels = runsOf(all);
  let now: string[] = [];
  let length = 0;
  const told = (): string =>
    now.length === 1 ? (now[0] ?? '') : `${now.slice(0, -1).join(', ')} and ${now.at(-1) ?? ''}`;
  for (const one of labels) {
    if (length + one.length + 2 > LONGEST_LIST) {
      yield told();
      [now, length] = [[], 0];
    }
    now.push(one);
    length += one.length + 2;
  }
  if (now.length > 0) yield told();
}
