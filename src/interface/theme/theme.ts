'use client';
import { createTheme, type Theme } from '@mui/material/styles';
import type { Look } from './looks';

export const TEXT_FACE = "'Fira Sans Condensed', 'Liberation Sans Narrow', sans-serif";
export const FIGURE_FACE = "'Fira Mono', 'Liberation Mono', monospace";

declare module '@mui/material/styles' {
  interface Theme {
    look: Look;
  }
  interface ThemeOptions {
    look?: Look;
  }
}

/** Our own shape, density, type and colour: flat paper, drawn rules, no shadows, no ripple, no capitals. */
export function themeOf(look: Look): Theme {
  return createTheme({
    look,
    palette: {
      mode: look.name === 'evening' ? 'dark' : 'light',
      primary: { main: look.accent, contrastText: look.onAccent },
      secondary: { main: look.ink },
      error: { main: look.warning },
      background: { default: look.paper, paper: look.sheet },
      text: { primary: look.text, secondary: look.faint },
      divider: look.rule,
    },
    shape: { borderRadius: 1 },
    shadows: Array(25).fill('none') as Theme['shadows'],
    typography: {
      fontFamily: TEXT_FACE,
      fontSize: 14,
      button: { textTransform: 'none', fontWeight: 400, letterSpacing: 0 },
    },
    transitions: { create: () => 'none' },
    components: {
      MuiButtonBase: {
        defaultProps: { disableRipple: true },
        styleOverrides: { root: { '&:focus-visible': { outline: `2px solid ${look.ink}`, outlineOffset: 2 } } },
      },
      MuiButton: {
        styleOverrides: {
          root: {
            minWidth: 0,
            padding: '2px 4px',
            lineHeight: 1.3,
            color: look.text,
            borderRadius: 0,
            '&:hover': { backgroundColor: 'transparent', textDecoration: 'underline', textUnderlineOffset: 3 },
          },
          contained: {
            color: look.onAccent,
            backgroundColor: look.accent,
            padding: '7px 16px',
            '&:hover': { backgroundColor: look.accent },
          },
        },
      },
      MuiMenu: {
        styleOverrides: {
          paper: { border: `1px solid ${look.graphite}`, backgroundColor: look.sheet, backgroundImage: 'none' },
          list: { padding: '4px 0' },
        },
      },
      MuiMenuItem: { styleOverrides: { root: { fontSize: 15, minHeight: 32, padding: '4px 16px' } } },
      MuiDialog: {
        styleOverrides: {
          paper: { border: `1px solid ${look.graphite}`, backgroundColor: look.sheet, backgroundImage: 'none' },
        },
      },
      MuiTooltip: { styleOverrides: { tooltip: { backgroundColor: look.graphite, color: look.sheet, fontSize: 13 } } },
      MuiCssBaseline: {
        styleOverrides: {
          body: { backgroundColor: look.paper, color: look.text, overscrollBehavior: 'none' },
          '*:focus-visible': { outline: `2px solid ${look.ink}`, outlineOffset: 2 },
          // A table has hundreds of them: styled once for all.
          '.copies': {
            all: 'unset',
            cursor: 'copy',
            minHeight: 24,
            '&:hover': { textDecoration: 'underline', textUnderlineOffset: 3 },
            '&:focus-visible': { outline: '2px solid currentColor', outlineOffset: 2 },
          },
          '.figure': { fontFamily: FIGURE_FACE, fontVariantNumeric: 'tabular-nums', fontSize: '0.93em' },
          // Sentences with their figures and choices are rendered at every edit: rules made once, not anew for each.
          '.sentence': { margin: 0, lineHeight: 1.5, fontSize: 15 },
          // A folded sentence is its few words; they are a button of the text's own look.
          '.sentence .short, .sentence[data-folded] .whole': { display: 'none' },
          '.sentence[data-folded] .short': {
            display: 'block',
            width: '100%',
            minHeight: 24,
            padding: 0,
            border: 0,
            background: 'none',
            font: 'inherit',
            textAlign: 'left',
            cursor: 'pointer',
            color: look.ink,
          },
          '.typed': {
            maxWidth: 200,
            border: 0,
            borderBottom: `1.5px dotted ${look.ink}`,
            padding: '2px 1px',
            minHeight: 24,
            background: 'transparent',
            color: look.ink,
            textAlign: 'center',
            '&[aria-invalid=true]': {
              borderBottomStyle: 'solid',
              borderBottomColor: look.warning,
              color: look.warning,
            },
            '@media (pointer: coarse)': { minHeight: 44 },
          },
          '.choice': {
            font: 'inherit',
            color: look.ink,
            border: 0,
            borderBottom: `1.5px dotted ${look.ink}`,
            background: 'transparent',
            minHeight: 24,
            '& option, & optgroup': { background: look.sheet, color: look.text },
            '@media (pointer: coarse)': { minHeight: 44 },
          },
          '.spoken': {
            position: 'absolute',
            width: 1,
            height: 1,
            overflow: 'hidden',
            clipPath: 'inset(50%)',
            whiteSpace: 'nowrap',
          },
        },
      },
    },
  });
}
