'use client';
import Box from '@mui/material/Box';
import type { Vector2 } from '@/core/geometry';
import type { Size } from '@/core/record';
import { mmOf } from '@/core/record';
import type { LengthRules, LengthStyle } from '@/core/units';
import { LengthField } from '@/interface/fields';
import { useLook } from '@/interface/theme';

export interface DimensionShown {
  readonly key: string;
  readonly label: string;
  readonly size: Size;
  readonly from: Vector2;
  readonly to: Vector2;
  readonly rules?: Omit<LengthRules, 'units'>;
}

interface DimensionsProps {
  readonly shown: readonly DimensionShown[];
  readonly style: LengthStyle;
  readonly readOnly: boolean;
  readonly width: number;
  readonly height: number;
  readonly change: (size: Size, mm: number, asTyped: string, nudged: boolean) => void;
}

/** Dimension lines with their end ticks: part of the board's SVG. */
export function DimensionLines({ shown }: { readonly shown: readonly DimensionShown[] }) {
  const { look } = useLook();
  return (
    <g pointerEvents="none" stroke={look.families.measuring} strokeWidth={1}>
      {shown.map(({ key, from, to }) => (
        <g key={key}>
          <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} />
          {[from, to].map((p, i) => (
            <line key={i} x1={p.x - 4} y1={p.y + 4} x2={p.x + 4} y2={p.y - 4} />
          ))}
        </g>
      ))}
    </g>
  );
}

/** The figures of the dimensions, standing on the drawing where they belong, each to be typed over in place. */
export function DimensionFigures({ shown, style, readOnly, width, height, change }: DimensionsProps) {
  const { look } = useLook();
  return (
    <>
      {shown.map(({ key, label, size, from, to, rules }) => {
        const x = Math.min(width - 40, Math.max(40, (from.x + to.x) / 2));
        const y = Math.min(height - 12, Math.max(12, (from.y + to.y) / 2));
        return (
          <Box
            key={key}
            data-dimension={key}
            style={{ left: x, top: y }}
            sx={{
              position: 'absolute',
              transform: 'translate(-50%, -50%)',
              backgroundColor: look.paper,
              fontSize: 14,
              lineHeight: 1.1,
              px: 0.25,
              '& [role=alert]': { position: 'absolute', zIndex: 4, width: 260, backgroundColor: look.sheet, p: 0.75 },
            }}
          >
            <LengthField
              label={label}
              mm={mmOf(size)}
              style={style}
              {...(rules ? { rules } : {})}
              bare
              disabled={readOnly}
              onChange={(mm, asTyped, nudged) => change(size, mm, asTyped, nudged)}
            />
          </Box>
        );
      })}
    </>
  );
}
