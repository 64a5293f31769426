'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useSession } from '@/interface/session';
import { useLook } from '@/interface/theme';

/** A wall as it is typed: how long it is, and how one turns before it. */
export interface Row {
  readonly key: number;
  readonly length: string;
  readonly turn: string;
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
  const fieldStyle = {
    font: 'inherit',
    width: 120,
    border: 0,
    borderBottom: `1.5px dotted ${look.ink}`,
    background: 'transparent',
    color: look.ink,
  };
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
