'use client';
import { useId, useRef, useState, type KeyboardEvent } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Result } from '@/core/base';
import { useLook } from '@/interface/theme';

export interface FieldFault {
  readonly message: string;
  readonly offers?: readonly string[];
}

interface TypedFieldProps {
  /** What is typed here, for screen readers and tests. */
  readonly label: string;
  /** The figure as it stands, printed. */
  readonly shown: string;
  /** Reads what was typed; a refusal keeps the text and says why. */
  readonly read: (text: string) => Result<() => void, FieldFault>;
  readonly unit?: string;
  /** Says what a bare number means. */
  readonly hint?: string;
  /** Up and down arrows nudge by this many steps: 1, or 10 with Shift. */
  readonly nudge?: (steps: number) => void;
  readonly disabled?: boolean;
}

const KEPT_TOGETHER = { whiteSpace: 'nowrap' } as const;

/** A figure in a sentence, editable in place: underlined as by hand, no box. What was typed stays until it is right or given up. */
export function TypedField({ label, shown, read, unit, hint, nudge, disabled }: TypedFieldProps) {
  const { look } = useLook();
  const [typed, setTyped] = useState<{
    readonly text: string;
    readonly over: string;
    readonly fault: FieldFault | null;
  } | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const taken = useRef(false);
  const faultId = useId();
  // What was typed holds only over the figure it was typed over: when that changes, by undo or by a drag, the new figure shows.
  const current = typed?.over === shown ? typed : null;
  const text = current?.text ?? null;
  const fault = current?.fault ?? null;
  const setText = (next: string | null): void =>
    setTyped(next === null ? null : { text: next, over: shown, fault: null });

  const take = (entered: string): boolean => {
    if (entered.trim() === shown.trim()) {
      setText(null);
      return true;
    }
    const result = read(entered);
    if (!result.ok) {
      setTyped({ text: entered, over: shown, fault: result.error });
      return false;
    }
    setText(null);
    result.value();
    return true;
  };
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>): void => {
    if (event.key === 'Enter') {
      if (!take(text ?? shown)) return;
      // Taken: the keyboard goes back to the board, or the next shortcut would be typed into the figure.
      taken.current = true;
      input.current?.blur();
    } else if (event.key === 'Escape') {
      setText(null);
    } else if (nudge && text === null && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault();
      nudge((event.key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 10 : 1));
    }
  };
  const value = text ?? shown;
  return (
    <span style={KEPT_TOGETHER}>
      <input
        ref={input}
        className="figure typed"
        aria-label={label}
        title={hint}
        aria-invalid={fault !== null}
        aria-describedby={fault ? faultId : undefined}
        value={value}
        disabled={disabled}
        spellCheck={false}
        autoComplete="off"
        onChange={(event) => setText(event.target.value)}
        onBlur={() => {
          // What Enter has just taken is not taken twice.
          if (!taken.current && text !== null) take(text);
          taken.current = false;
        }}
        onFocus={(event) => event.target.select()}
        onKeyDown={onKeyDown}
        // Not in sx: a width that changes with the figure would make a new style sheet rule for each.
        style={{ width: `${Math.max(3, value.length) + 0.6}ch` }}
      />
      {unit ? <span> {unit}</span> : null}
      {fault ? (
        <Box
          id={faultId}
          role="alert"
          sx={{
            display: 'block',
            whiteSpace: 'normal',
            color: look.warning,
            fontSize: 13.5,
            lineHeight: 1.3,
            my: 0.5,
            pl: 1,
            borderLeft: `2px solid ${look.warning}`,
          }}
        >
          {fault.message}
          {(fault.offers ?? []).map((offer) => (
            <Button key={offer} size="small" onClick={() => take(offer)} sx={{ ml: 0.5, textDecoration: 'underline' }}>
              take {offer}
            </Button>
          ))}
        </Box>
      ) : null}
    </span>
  );
}
