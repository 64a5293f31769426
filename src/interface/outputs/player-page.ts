import type { PlayerData } from '@/core/formats/player';

/** Data inside a page: nothing in it ends its element or begins another. */
const embedded = (data: unknown): string =>
  JSON.stringify(data).replace(
    /[<>&\u2028\u2029]/g,
    (sign) => `\\u${sign.charCodeAt(0).toString(16).padStart(4, '0')}`,
  );

const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** The page's own look: large type, large keys, nothing that is fetched. */
const STYLE = `
:root { color-scheme: light; --paper: #fbfaf5; --desk: #ece5d6; --ink: #1f3f7a; --text: #2b2a27; --faint: #6b675e; --accent: #9c4314; }
* { box-sizing: border-box; }
body { margin: 0; height: 100dvh; display: grid; grid-template-rows: auto 1fr auto; background: var(--desk); color: var(--text); font: 20px/1.35 "Gill Sans", "Fira Sans Condensed", "Segoe UI", sans-serif; }
header, footer { padding: 8px 14px; }
header { display: flex; gap: 14px; align-items: baseline; flex-wrap: wrap; font-size: 17px; }
header b { font-size: 19px; }
header .room { flex: 1; }
main { position: relative; min-height: 0; display: flex; }
canvas { flex: 1; min-width: 0; width: 100%; height: 100%; background: #f1ebdf; touch-action: none; }
table { border-collapse: collapse; font-size: 17px; }
td { padding: 2px 10px 2px 0; border-bottom: 1px solid #cfc6b2; white-space: nowrap; }
#rows { max-width: 40%; overflow: auto; padding: 8px 14px; background: var(--paper); }
#rows:empty { display: none; }
footer { display: grid; grid-template-columns: 120px 1fr auto 120px; gap: 14px; align-items: stretch; }
#says { font-size: 28px; line-height: 1.25; min-height: 3.7em; max-height: 34dvh; overflow: auto; }
#says small { display: block; font-size: 17px; color: var(--faint); }
button { font: inherit; color: inherit; background: var(--paper); border: 2px solid #b3a98f; min-height: 44px; padding: 4px 14px; }
footer button { min-height: 96px; min-width: 96px; }
#next { background: var(--accent); border-color: var(--accent); color: #fff; }
#tick[aria-pressed="true"] { border-color: var(--ink); color: var(--ink); font-weight: bold; }
button:focus-visible { outline: 3px solid var(--ink); outline-offset: 2px; }
button:disabled { opacity: 0.4; }
`;

/**
 * One HTML file that holds a plan and its player: no network, no installation. @param script what runs in it, as text: a function of the data.
 */
export const playerPage = (data: PlayerData, script: string): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; script-src 'unsafe-inline'; img-src data:">
<title>${escaped(data.title)}</title>
<style>${STYLE}</style>
</head>
<body>
<header><b>${escaped(data.title)}</b><span id="where" class="room" aria-live="polite"></span><button id="close" aria-pressed="false">whole sheet</button><button id="give">give the ticks back</button></header>
<main><canvas id="paper" role="img" aria-label="What lies on the paper by this step"></canvas><div id="rows"></div></main>
<footer><button id="back">back</button><div id="says" aria-live="polite"></div><button id="tick" aria-pressed="false">drawn</button><button id="next">next</button></footer>
<script type="application/json" id="plan">${embedded(data)}</script>
<script>(${script})(JSON.parse(document.getElementById('plan').textContent), document, window);</script>
</body>
</html>
`;
