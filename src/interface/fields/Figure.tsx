'use client';
import { useSnackbar } from 'notistack';

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
    <button
      type="button"
      className="figure copies"
      onClick={copy}
      title={`Copy ${label ?? 'figure'}`}
      aria-label={label ? `${label}: ${children}. Copy` : `Copy ${children}`}
    >
      {children}
    </button>
  );
}
