'use client';
import { useSnackbar } from 'notistack';
import Box from '@mui/material/Box';
import { FIGURE_FACE } from '@/interface/theme';

/** A figure that is copied with one click. */
export function Figure({ children, label }: { readonly children: string; readonly label?: string }) {
  const { enqueueSnackbar } = useSnackbar();
  const copy = (): void => {
    const plain = children.replace(/\u00a0/g, '').replace(/−/g, '-');
    navigator.clipboard?.writeText(plain).then(
      () => enqueueSnackbar(`Copied ${children}`, { autoHideDuration: 1500 }),
      () => enqueueSnackbar('The browser did not let the figure be copied.', { autoHideDuration: 3000 }),
    );
  };
  return (
    <Box
      component="button"
      type="button"
      className="figure"
      onClick={copy}
      title={`Copy ${label ?? 'figure'}`}
      aria-label={label ? `${label}: ${children}. Copy` : `Copy ${children}`}
      sx={{
        all: 'unset',
        cursor: 'copy',
        fontFamily: FIGURE_FACE,
        fontSize: '0.93em',
        minHeight: 24,
        '&:hover': { textDecoration: 'underline', textUnderlineOffset: 3 },
        '&:focus-visible': { outline: '2px solid currentColor', outlineOffset: 2 },
      }}
    >
      {children}
    </Box>
  );
}
