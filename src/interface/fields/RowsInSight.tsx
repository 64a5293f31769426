'use client';
import { useEffect, useRef, useState, type ReactNode } from 'react';

/** What is made at once, and added whenever one comes near their end. */
const AT_ONCE = 12;
/** How high a close row is, px: what stands for those not made yet. */
const ROW_PX = 24;
const AHEAD = '120px 0px';

interface RowsInSightProps<T> {
  /** What the rows are of; other things begin at their top again. */
  readonly of: readonly T[];
  readonly columns: number;
  readonly row: (one: T, i: number) => ReactNode;
}

/** Rows of a long table, made as one comes to them: a step may have a hundred, of which a margin shows twenty. */
export function RowsInSight<T>({ of, columns, row }: RowsInSightProps<T>) {
  const [seen, setSeen] = useState({ of, count: AT_ONCE });
  const count = seen.of === of ? seen.count : AT_ONCE;
  const rest = useRef<HTMLTableRowElement>(null);
  useEffect(() => {
    if (!rest.current) return undefined;
    const watch = new IntersectionObserver(
      (met) => {
        if (met.some((one) => one.isIntersecting)) setSeen({ of, count: count + AT_ONCE });
      },
      { rootMargin: AHEAD },
    );
    watch.observe(rest.current);
    return () => watch.disconnect();
  }, [of, count]);
  return (
    <>
      {of.slice(0, count).map(row)}
      {of.length > count ? (
        <tr ref={rest} aria-hidden="true">
          <td colSpan={columns} style={{ height: (of.length - count) * ROW_PX }} />
        </tr>
      ) : null}
    </>
  );
}
