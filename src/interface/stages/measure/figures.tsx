'use client';
import { capital } from '@/core/base';
import { length2 } from '@/core/geometry';
import { mmOf, outlineOf, type Size, type Space } from '@/core/record';
import { formatLength, type LengthStyle } from '@/core/units';
import { LengthField } from '@/interface/fields';
import type { Session } from '@/interface/session';

/** The sizes of one thing as fields in a sentence. */
export function figureFor(
  { style, commands, readOnly }: Pick<Session, 'style' | 'commands' | 'readOnly'>,
  owner: string,
) {
  return function figure(
    name: string,
    size: Size,
    rules: { readonly negative?: 'allowed'; readonly zero?: 'allowed' } = {},
  ) {
    return (
      <LengthField
        key={size.id}
        label={`${capital(name)} of ${owner}`}
        mm={mmOf(size)}
        style={style}
        bare
        disabled={readOnly}
        rules={rules}
        onChange={(mm, asTyped, nudged) =>
          commands.change(
            'Change a size',
            { kind: 'correct-size', sizeId: size.id, mm, asTyped },
            nudged ? `nudge/${size.id}` : undefined,
          )
        }
      />
    );
  };
}

/** Whether a room's walls close, in words. */
export function closing(space: Space, style: LengthStyle): string {
  const gap = length2(outlineOf(space).closingGap);
  return gap > 0.05
    ? `The walls miss closing by ${formatLength(Math.round(gap * 10) / 10, style)}.`
    : 'The walls close.';
}
