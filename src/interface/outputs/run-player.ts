import type { PlayerData } from '@/core/formats/player';

/**
 * What runs in a plan's own page. It is written into the file as it stands: it uses nothing from outside itself but its arguments. Ticks are kept by the
 * browser where it keeps anything for files, and given back as a small file.
 */
export function runPlayer(data: PlayerData, doc: Document, win: Window & typeof globalThis): void {
  const byId = <T extends HTMLElement>(id: string): T => doc.getElementById(id) as T;
  const canvas = byId<HTMLCanvasElement>('paper');
  const key = `bathyskop-plan ${data.projectId} ${data.viewId} ${data.order}`;
  const drawn = new Set<string>(data.drawn);
  let step = 1;
  let whole = false;
  try {
    const kept = JSON.parse(win.localStorage.getItem(key) ?? 'null') as { step?: number; drawn?: string[] } | null;
    if (kept?.drawn) {
      drawn.clear();
      for (const name of kept.drawn) drawn.add(name);
    }
    if (kept?.step) step = Math.min(data.steps.length, Math.max(1, kept.step));
  } catch {
    // A browser that keeps nothing for a file: the ticks last as long as the page.
  }
  const keep = (): void => {
    try {
      win.localStorage.setItem(key, JSON.stringify({ step, drawn: [...drawn] }));
    } catch {
      // As above.
    }
  };
  const isDrawn = (number: number): boolean => (data.steps[number - 1]?.strokes ?? []).every((one) => drawn.has(one));

  /** What is in sight: the whole table, or about what this step is concerned with. */
  const sight = (): { left: number; bottom: number; right: number; top: number } => {
    const now = data.steps[step - 1];
    const xs: number[] = [];
    const ys: number[] = [];
    if (now && !whole) {
      for (const row of [now.light, now.firm]) row.forEach((value, i) => (i % 2 === 0 ? xs : ys).push(value));
      for (const mark of now.makes) {
        const found = data.marks[mark];
        if (found) {
          xs.push(found[1]);
          ys.push(found[2]);
        }
      }
    }
    if (xs.length === 0) {
      xs.push(0, data.sheet[0]);
      ys.push(0, data.sheet[1]);
      data.plan.forEach((value, i) => (i % 2 === 0 ? xs : ys).push(value));
    }
    const [left, right] = [Math.min(...xs), Math.max(...xs)];
    const [bottom, top] = [Math.min(...ys), Math.max(...ys)];
    const wide = Math.max((right - left) * 1.2, data.sheet[0] * 0.25);
    const high = Math.max((top - bottom) * 1.2, data.sheet[1] * 0.25);
    return {
      left: (left + right - wide) / 2,
      right: (left + right + wide) / 2,
      bottom: (bottom + top - high) / 2,
      top: (bottom + top + high) / 2,
    };
  };

  const paint = (): void => {
    const ratio = win.devicePixelRatio || 1;
    const box = canvas.getBoundingClientRect();
    canvas.width = Math.max(1, Math.round(box.width * ratio));
    canvas.height = Math.max(1, Math.round(box.height * ratio));
    const ctx = canvas.getContext('2d');
    if (!ctx) return;
    const { left, bottom, right, top } = sight();
    const scale = Math.min(canvas.width / (right - left), canvas.height / (top - bottom));
    const x = (mm: number): number => canvas.width / 2 + (mm - (left + right) / 2) * scale;
    const y = (mm: number): number => canvas.height / 2 - (mm - (bottom + top) / 2) * scale;
    const lines = (rows: readonly number[], colour: string, width: number): void => {
      ctx.beginPath();
      for (let i = 0; i + 3 < rows.length; i += 4) {
        ctx.moveTo(x(rows[i] ?? 0), y(rows[i + 1] ?? 0));
        ctx.lineTo(x(rows[i + 2] ?? 0), y(rows[i + 3] ?? 0));
      }
      ctx.strokeStyle = colour;
      ctx.lineWidth = width * ratio;
      ctx.stroke();
    };
    ctx.fillStyle = '#fbfaf5';
    ctx.fillRect(x(0), y(data.sheet[1]), data.sheet[0] * scale, data.sheet[1] * scale);
    ctx.strokeStyle = '#b3a98f';
    ctx.lineWidth = ratio;
    ctx.strokeRect(x(0), y(data.sheet[1]), data.sheet[0] * scale, data.sheet[1] * scale);
    lines(data.plan, '#a49c88', 0.8);
    for (const before of data.steps.slice(0, step - 1)) {
      lines(before.light, '#b9b2a0', 0.8);
      lines(before.firm, '#55534c', 1.3);
    }
    const now = data.steps[step - 1];
    if (!now) return;
    lines(now.light, '#1f3f7a', 2);
    lines(now.firm, '#1a1a18', 3);
    ctx.font = `${16 * ratio}px "Fira Mono", Consolas, monospace`;
    ctx.lineJoin = 'round';
    const made = new Set(now.makes);
    for (const number of now.marks) {
      const mark = data.marks[number];
      if (!mark) continue;
      const [px, py, half] = [x(mark[1]), y(mark[2]), (made.has(number) ? 6 : 3.5) * ratio];
      ctx.beginPath();
      ctx.moveTo(px - half, py);
      ctx.lineTo(px + half, py);
      ctx.moveTo(px, py - half);
      ctx.lineTo(px, py + half);
      ctx.strokeStyle = '#1f3f7a';
      ctx.lineWidth = 1.6 * ratio;
      ctx.stroke();
      ctx.strokeStyle = '#fbfaf5';
      ctx.lineWidth = 4 * ratio;
      ctx.strokeText(mark[0], px + 7 * ratio, py - 6 * ratio);
      ctx.fillStyle = '#2b2a27';
      ctx.fillText(mark[0], px + 7 * ratio, py - 6 * ratio);
    }
  };

  const show = (): void => {
    const now = data.steps[step - 1];
    const left = data.steps.filter((_, i) => !isDrawn(i + 1)).length;
    byId('where').textContent = `${step}/${data.steps.length} ${now?.title ?? ''} · ${left} still to draw`;
    const says = byId('says');
    says.textContent = now?.says.join(' ') ?? '';
    const because = doc.createElement('small');
    because.textContent = now?.because ?? '';
    says.append(because);
    const rows = byId('rows');
    rows.replaceChildren();
    if (now && now.rows.length > 0) {
      const table = doc.createElement('table');
      for (const cells of now.rows) {
        const row = table.insertRow();
        for (const text of cells) row.insertCell().textContent = text;
      }
      rows.append(table);
    }
    byId('tick').setAttribute('aria-pressed', String(isDrawn(step)));
    byId<HTMLButtonElement>('back').disabled = step <= 1;
    byId<HTMLButtonElement>('next').disabled = step >= data.steps.length && isDrawn(step);
    byId('close').textContent = whole ? 'close up' : 'whole sheet';
    byId('close').setAttribute('aria-pressed', String(whole));
    paint();
    keep();
  };
  const tick = (is: boolean): void => {
    for (const name of data.steps[step - 1]?.strokes ?? [])
      if (is) drawn.add(name);
      else drawn.delete(name);
  };
  const go = (to: number): void => {
    step = Math.min(data.steps.length, Math.max(1, to));
    show();
  };
  const next = (): void => {
    tick(true);
    go(step + 1);
  };
  byId('next').onclick = next;
  byId('back').onclick = () => go(step - 1);
  byId('tick').onclick = () => {
    tick(!isDrawn(step));
    show();
  };
  byId('close').onclick = () => {
    whole = !whole;
    show();
  };
  byId('give').onclick = () => {
    const text = JSON.stringify({
      ...{ kind: 'bathyskop-ticks', version: 1, projectId: data.projectId, viewId: data.viewId, digest: data.digest },
      drawn: [...drawn],
    });
    const link = doc.createElement('a');
    link.href = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
    link.download = `${data.projectId}-${data.viewId}-ticks.json`.replace(/[^a-z0-9.-]+/gi, '-');
    link.click();
    win.setTimeout(() => URL.revokeObjectURL(link.href), 1000);
  };
  doc.addEventListener('keydown', (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const on = event.target instanceof HTMLButtonElement;
    if (event.key === 'ArrowRight' || event.key === 'PageDown') go(step + 1);
    else if (event.key === 'ArrowLeft' || event.key === 'PageUp' || event.key === 'Backspace') go(step - 1);
    else if (event.key === 'Home') go(1);
    else if (event.key === 'End') go(data.steps.length);
    else if (event.key === ' ' && !on) next();
    else if (event.key === 'j') byId('tick').click();
    else if (event.key === 'w') byId('close').click();
    else return;
    event.preventDefault();
  });
  win.addEventListener('resize', paint);
  // The screen stays awake while one draws, where the browser allows it; asked again when one comes back to the page.
  const awake = (): void => {
    if (doc.visibilityState === 'visible') void win.navigator.wakeLock?.request('screen').catch(() => undefined);
  };
  doc.addEventListener('visibilitychange', awake);
  awake();
  show();
}
