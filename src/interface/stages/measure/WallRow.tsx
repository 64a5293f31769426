'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useSession } from '@/interface/session';
import { mmOf, type Size } from '@/core/record';
import { formatBareLength, type LengthStyle } from '@/core/units';
import { useLook, type Look } from '@/interface/theme';

/** A wall as it is typed: how long it is, and how one turns before it. */
export interface Row {
  readonly key: number;
  readonly length: string;
  readonly turn: string;
}

const fieldStyleOf = (look: Look) => ({
  ...{ font: 'inherit', width: 120, border: 0, background: 'transparent', color: look.ink },
  borderBottom: `1.5px dotted ${look.ink}`,
});

/** How high the room is, last of what one reads off the tape; left empty it is as is usual. */
export function CeilingRow({
  high,
  setHigh,
  usual,
  style,
  fault,
}: {
  readonly high: string;
  readonly setHigh: (typed: string) => void;
  readonly usual: Size;
  readonly style: LengthStyle;
  readonly fault: string | null;
}) {
  const { look } = useLook();
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline', fontSize: 15, flexWrap: 'wrap', mt: 0.4 }}>
      <span style={{ width: 62 }}>height:</span>
      <input
        className="figure"
        aria-label="Ceiling height"
        value={high}
        placeholder={formatBareLength(mmOf(usual), style)}
        aria-invalid={fault !== null}
        onChange={(event) => setHigh(event.target.value)}
        style={fieldStyleOf(look)}
      />
      {fault === null ? null : (
        <Box role="alert" sx={{ flexBasis: '100%', color: look.warning, fontSize: 13.5, pl: 8 }}>
          {fault}
        </Box>
      )}
    </Box>
  );
}

/** One wall of the round, with what is wrong with it. */
export function WallRow({
  index: i,
  row,
  fault,
  change,
  strike,
}: {
  /** From 0. */
  readonly index: number;
  readonly row: Row;
  readonly fault: string | null;
  readonly change: (to: Partial<Row>) => void;
  /** Strikes it out; null where a room needs every wall it has. */
  readonly strike: (() => void) | null;
}) {
  const { style } = useSession();
  const { look } = useLook();
  const fieldStyle = fieldStyleOf(look);
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline', fontSize: 15, flexWrap: 'wrap', mb: 0.4 }}>
      <span style={{ width: 62 }}>wall {i + 1}:</span>
      {i > 0 ? (
        <>
          turn
          <input
            className="figure"
            aria-label={`Turn before wall ${i + 1}`}
            value={row.turn}
            onChange={(event) => change({ turn: event.target.value })}
            style={{ ...fieldStyle, width: 52 }}
          />
          °, then
        </>
      ) : null}
      <input
        className="figure"
        aria-label={`Length of wall ${i + 1}`}
        value={row.length}
        autoFocus={i === 0}
        placeholder={style.units === 'metric' ? '4200' : `13'-9"`}
        aria-invalid={fault !== null}
        onChange={(event) => change({ length: event.target.value })}
        style={fieldStyle}
      />
      {strike ? (
        <Button size="small" aria-label={`Strike out wall ${i + 1}`} onClick={strike}>
          strike out
        </Button>
      ) : null}
      {fault !== null ? (
        <Box role="alert" sx={{ flexBasis: '100%', color: look.warning, fontSize: 13.5, pl: 8 }}>
          {fault}
        </Box>
      ) : null}
    </Box>
  );
}
