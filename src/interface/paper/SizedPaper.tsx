'use client';
import { useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import Box from '@mui/material/Box';

/** The paper surface of a stage: what lies on it is told its size in CSS pixels, and told again when the window's changes. */
export function SizedPaper({
  children,
}: {
  readonly children: (size: { readonly width: number; readonly height: number }) => ReactNode;
}) {
  const ref = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState<{ readonly width: number; readonly height: number } | null>(null);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    // Heard for the first time when the frame has been laid out: measured here, the whole new screen would be laid out once more, and what lies on the
    // paper rendered in one go with all that surrounds it.
    const observer = new ResizeObserver(() => setSize({ width: element.clientWidth, height: element.clientHeight }));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return (
    <Box ref={ref} sx={{ position: 'relative', flex: 1, minHeight: 0, minWidth: 0, overflow: 'hidden' }}>
      {size && size.width > 0 && size.height > 0 ? children(size) : null}
    </Box>
  );
}
