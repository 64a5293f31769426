import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { hashesWithin, inlineHashes } from './inline-scripts';
import { policyOf } from './policy';

// openssl dgst -sha256 -binary, base64, of `alert(1)` and of nothing.
const ALERT = 'sha256-bhHHL3z2vDgxUt0W3dWQOrprscmda2Y5pLsLg4GF+pI=';
const NOTHING = 'sha256-47DEQpj8HBSa+/TImW+5JCeuQeRkm5NMpJWZG3hSuFU=';

describe('the content security policy', () => {
  it('knows inline scripts by their text, whatever stands in their tag, and none that is fetched', () => {
    expect(inlineHashes('<p><script>alert(1)</script><script src="/a.js" async=""></script>')).toEqual([ALERT]);
    expect(inlineHashes('<script id="x" type="module">alert(1)</script>\n<script></script>')).toEqual([ALERT, NOTHING]);
    expect(inlineHashes('<script>alert(1) </script>')).not.toContain(ALERT);
  });
  it('takes those of all pages of a build, each once', () => {
    const folder = mkdtempSync(join(tmpdir(), 'pages-'));
    mkdirSync(join(folder, 'inner'));
    for (const name of ['a.html', 'inner/b.html']) writeFileSync(join(folder, name), '<script>alert(1)</script>');
    writeFileSync(join(folder, 'c.js'), '<script>other</script>');
    expect(hashesWithin(folder)).toEqual([ALERT]);
  });
  it('lets no script in but the application’s own, from nowhere else, and nobody frame it', () => {
    const policy = policyOf([NOTHING, ALERT]);
    expect(policy).toContain(`script-src 'self' '${NOTHING}' '${ALERT}'`);
    const scripts = policy.split('; ').find((rule) => rule.startsWith('script-src')) ?? '';
    expect(scripts).not.toMatch(/unsafe/);
    for (const rule of ["default-src 'none'", "base-uri 'none'", "form-action 'none'", "frame-ancestors 'none'"])
      expect(policy.split('; ')).toContain(rule);
    expect(policy).not.toMatch(/https?:|\*/);
  });
});
