/**
 * Draws a plan file again with the nine tools and nothing else: a small interpreter written apart from the drafting machine. Points and lines are
 * homogeneous triples; a line through two points and a point on two lines are one product.
 */
type Triple = readonly [number, number, number];

interface Line {
  readonly abc: Triple;
  /** Which way along it is counted on. */
  readonly way: readonly [number, number];
}

/** Brought to size one: the products of a long chain would outgrow every number. */
function product(a: Triple, b: Triple): Triple {
  const [x, y, w] = [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
  const size = Math.hypot(x, y, w);
  return [x / size, y / size, w / size];
}

interface WrittenOperation {
  readonly op: string;
  readonly mark?: string;
  readonly line?: string;
  readonly point?: readonly [number, number];
  readonly on?: string;
  readonly from?: string;
  readonly toward?: string;
  readonly distance?: number;
  readonly through?: string | readonly string[];
  readonly to?: string;
  readonly lines?: readonly [string, string];
  readonly between?: readonly [string, string];
  readonly marks?: readonly (readonly [string, string])[];
  readonly zero?: readonly [string, string];
  readonly curve?: string;
}

/** Marks of a plan file by name, mm. @throws where an operation uses what is not there, or is none of the nine. */
export function replayPlan(text: string): ReadonlyMap<string, readonly [number, number]> {
  const { operations } = JSON.parse(text) as { operations: readonly WrittenOperation[] };
  const points = new Map<string, Triple>();
  const lines = new Map<string, Line>();
  const need = <T>(from: ReadonlyMap<string, T>, name: unknown): T => {
    const found = typeof name === 'string' ? from.get(name) : undefined;
    if (found === undefined) throw new Error(`${String(name)} is not there yet`);
    return found;
  };
  const flat = ([x, y, w]: Triple): readonly [number, number] => [x / w, y / w];
  const put = (name: string | undefined, at: Triple): void => {
    if (name === undefined || points.has(name)) throw new Error(`${name ?? 'a mark'} twice`);
    points.set(name, at);
  };
  const lay = (name: string | undefined, abc: Triple, way: readonly [number, number]): void => {
    if (name === undefined || lines.has(name)) throw new Error(`${name ?? 'a line'} twice`);
    lines.set(name, { abc, way });
  };
  /** Down the perpendicular from a point, then along. */
  const along = ({ abc: [a, b, c], way }: Line, from: Triple, by: number): Triple => {
    const [x, y] = flat(from);
    const size = Math.hypot(a, b);
    const off = (a * x + b * y + c) / (size * size);
    const unit = Math.hypot(...way);
    return [x - a * off + (way[0] / unit) * by, y - b * off + (way[1] / unit) * by, 1];
  };
  const signed = ({ way }: Line, toward: unknown): number => {
    const component = toward === 'left' || toward === 'right' ? way[0] : way[1];
    return Math.sign(component) * (toward === 'right' || toward === 'up' ? 1 : -1);
  };
  for (const one of operations) {
    switch (one.op) {
      case 'take':
        put(one.mark, [one.point?.[0] ?? NaN, one.point?.[1] ?? NaN, 1]);
        break;
      case 'lay-off': {
        const on = need(lines, one.on);
        if (!((one.distance ?? 0) > 0)) throw new Error('nothing is laid off');
        put(one.mark, along(on, need(points, one.from), signed(on, one.toward) * (one.distance ?? 0)));
        break;
      }
      case 'rule': {
        const [p, q] = [need(points, one.through?.[0]), need(points, one.through?.[1])];
        const [[px, py], [qx, qy]] = [flat(p), flat(q)];
        lay(one.line, product(p, q), [qx - px, qy - py]);
        break;
      }
      case 'level': {
        const p = need(points, one.through);
        lay(one.line, product(p, [1, 0, 0]), [1, 0]);
        break;
      }
      case 'upright': {
        const p = need(points, one.through);
        lay(one.line, product(p, [0, 1, 0]), [0, 1]);
        break;
      }
      case 'parallel': {
        const { way } = need(lines, one.to);
        lay(one.line, product(need(points, one.through), [way[0], way[1], 0]), way);
        break;
      }
      case 'cross':
        put(one.mark, product(need(lines, one.lines?.[0]).abc, need(lines, one.lines?.[1]).abc));
        break;
      case 'transfer': {
        const on = need(lines, one.on);
        const [[px, py], [qx, qy]] = [flat(need(points, one.between?.[0])), flat(need(points, one.between?.[1]))];
        put(one.mark, along(on, need(points, one.from), signed(on, one.toward) * Math.hypot(qx - px, qy - py)));
        break;
      }
      case 'strip': {
        const on = need(lines, one.on);
        const reads = Math.abs(on.way[0]) > Math.abs(on.way[1]) ? 0 : 1;
        const zero = flat(need(points, one.zero?.[1]))[reads];
        for (const [mark, of] of one.marks ?? []) {
          const by = (flat(need(points, of))[reads] - zero) * Math.sign(on.way[reads]);
          put(mark, along(on, need(points, one.zero?.[0]), by));
        }
        break;
      }
      case 'curve':
        for (const mark of one.through ?? []) need(points, mark);
        break;
      default:
        throw new Error(`${one.op} is no tool`);
    }
  }
  return new Map([...points].map(([name, at]) => [name, flat(at)]));
}
