'use client';
import { useEffect, useRef, type ReactNode } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useLook } from '@/interface/theme';

/** A sheet laid over the lower part of the paper. */
export function PaperSheet({
  title,
  label,
  close,
  high = '58%',
  children,
}: {
  readonly title: ReactNode;
  readonly label: string;
  readonly close: () => void;
  readonly high?: string;
  readonly children: ReactNode;
}) {
  const { look } = useLook();
  const sheet = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const element = sheet.current;
    const before = document.activeElement;
    // The keyboard goes to the sheet, unless something on it has already asked for it, and back when it is laid aside.
    if (element && !element.contains(before)) element.focus();
    return () => {
      if (before instanceof HTMLElement || before instanceof SVGElement) before.focus({ preventScroll: true });
    };
  }, []);
  return (
    <Box
      ref={sheet}
      tabIndex={-1}
      role="dialog"
      aria-label={label}
      onKeyDown={(event) => {
        // Within the table Escape gives up the figure one is typing, not the sheet.
        const typing = (event.target as HTMLElement).closest('.MuiDataGrid-cell--editing') !== null;
        if (event.key === 'Escape' && !typing) close();
      }}
      sx={{
        position: 'absolute',
        left: 20,
        right: 20,
        bottom: 0,
        maxHeight: high,
        overflow: 'auto',
        backgroundColor: look.sheet,
        border: `1px solid ${look.graphite}`,
        borderBottom: 0,
        boxShadow: `0 -3px 0 ${look.rule}`,
        p: '12px 20px 16px',
        zIndex: 5,
        '&:focus': { outline: 'none' },
      }}
    >
      <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'baseline', gap: 2, mb: 1 }}>
        <Box component="h2" sx={{ m: 0, fontSize: 18, fontWeight: 500 }}>
          {title}
        </Box>
        <Button onClick={close}>lay it aside (Esc)</Button>
      </Box>
      {children}
    </Box>
  );
}
