'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useLook } from '@/interface/theme';

/** A corner of an outline as it is typed. */
export interface CornerTyped {
  readonly key: number;
  readonly x: string;
  readonly y: string;
  readonly bend: string;
}

/** One corner of an outline, and the bend of the side after it. */
export function CornerRow({
  number,
  corner,
  fault,
  change,
  strike,
}: {
  readonly number: number;
  readonly corner: CornerTyped;
  readonly fault: string | null;
  readonly change: (to: Partial<CornerTyped>) => void;
  /** Strikes it out; null where an outline needs every corner it has. */
  readonly strike: (() => void) | null;
}) {
  const { look } = useLook();
  const input = {
    font: 'inherit',
    border: 0,
    borderBottom: `1.5px dotted ${look.ink}`,
    background: 'transparent',
    color: look.ink,
  };
  return (
    <li>
      <input
        className="figure"
        aria-label={`Corner ${number}, across`}
        value={corner.x}
        onChange={(event) => change({ x: event.target.value })}
        style={{ ...input, width: 74 }}
      />{' '}
      across,{' '}
      <input
        className="figure"
        aria-label={`Corner ${number}, up`}
        value={corner.y}
        onChange={(event) => change({ y: event.target.value })}
        style={{ ...input, width: 74 }}
      />{' '}
      up, bend{' '}
      <input
        className="figure"
        aria-label={`Bend after corner ${number}`}
        value={corner.bend}
        onChange={(event) => change({ bend: event.target.value })}
        style={{ ...input, width: 46 }}
      />
      {strike ? (
        <Button size="small" aria-label={`Strike out corner ${number}`} onClick={strike}>
          strike out
        </Button>
      ) : null}
      {fault ? (
        <Box role="alert" sx={{ color: look.warning, fontSize: 13.5 }}>
          {fault}
        </Box>
      ) : null}
    </li>
  );
}
