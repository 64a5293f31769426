import { readFileSync } from 'node:fs';
import { request as plainRequest } from 'node:http';
import { expect, test } from '@playwright/test';
import { isDocumented, printStorm } from '../src/testing/print-storm';
import { noFaults } from './pages';

/** An address as it is typed, which a browser or `fetch` would tidy first. */
const asTyped = (baseURL: string, path: string): Promise<{ status: number; type: string; text: string }> =>
  new Promise((resolve, reject) => {
    const { hostname, port } = new URL(baseURL);
    plainRequest({ hostname, port, path }, (from) => {
      let text = '';
      from.on('data', (chunk: Buffer) => (text += chunk.toString()));
      from.on('end', () => resolve({ status: from.statusCode ?? 0, type: from.headers['content-type'] ?? '', text }));
    })
      .on('error', reject)
      .end();
  });

test.describe('what the server sends', () => {
  const PAGES = ['/', '/project/tea-room/stand', '/nothing-here', '/icon.svg'];

  test('carries its headers on every route', async ({ request }) => {
    const script = /src="(\/_next\/static\/[^"]+\.js)"/.exec(await (await request.get('/')).text())?.[1] ?? '';
    expect(script).not.toBe('');
    for (const path of [...PAGES, script, '/api/print']) {
      const headers = (await request.get(path)).headers();
      expect(headers['x-content-type-options'], path).toBe('nosniff');
      expect(headers['referrer-policy'], path).toBe('no-referrer');
      expect(headers['permissions-policy'], path).toContain('camera=()');
      const policy = headers['content-security-policy'] ?? '';
      expect(policy, path).toContain("default-src 'none'");
      expect(policy, path).toContain("frame-ancestors 'none'");
      // No script but the application's own: neither any inline one nor one made of text.
      const scripts = policy.split('; ').find((rule) => rule.startsWith('script-src')) ?? '';
      expect(scripts, path).not.toMatch(/unsafe|nonce|\*|https?:|data:/);
    }
  });

  test('and a script that is not its own does not run', async ({ page }) => {
    const refused: string[] = [];
    page.on('console', (message) => {
      if (message.text().includes('Content Security Policy')) refused.push(message.text());
    });
    await page.goto('/');
    await expect(page.locator('[data-project]').first()).toBeVisible();
    expect(refused).toEqual([]);
    await page.evaluate(() => {
      const script = document.createElement('script');
      script.textContent = 'document.title = "taken over"';
      document.body.append(script);
    });
    await expect.poll(() => refused.length).toBe(1);
    expect(await page.title()).toBe('Bathyskop');
  });

  test('odd addresses end in the plain page', async ({ baseURL, page }) => {
    for (const path of ['/%E0%A4%A', '/project/%E0%A4%A/measure/more', '/..%2f..%2fetc', '/../../etc/passwd', '/%00']) {
      const { status, type, text } = await asTyped(baseURL ?? '', path);
      expect(status, path).toBe(404);
      expect(type, path).toContain('text/html');
      expect(text, path).not.toMatch(/node_modules|Error:|at Object/);
    }
    // What can only be a project's address is found to name none in the browser.
    for (const path of ['/project/%E0%A4%A/measure', '/project/tea-room/no-such-stage', '/project']) {
      noFaults(page);
      await page.goto(path);
      await expect(page.getByText('could not be found')).toBeVisible();
    }
  });

  test('prints for many at once and for some who mean ill; every answer is one of the documented', async ({
    baseURL,
  }) => {
    const project = readFileSync('src/app/demo/seed-shop.json', 'utf8');
    const answers = await printStorm(baseURL ?? '', project, 6, 12);
    expect(answers.filter((one) => !isDocumented(one)).map((one) => `${one.what}: ${one.status}`)).toEqual([]);
    expect(answers.some((one) => one.status === 200)).toBe(true);
    expect(answers.some((one) => one.status === 503)).toBe(true);
    const alone = await printStorm(baseURL ?? '', project, 1, 0);
    expect(alone.map((one) => one.status)).toEqual([200]);
  });
});
