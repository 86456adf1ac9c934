import { spawnSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { request as httpsRequest } from 'node:https';
import { networkInterfaces, tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { DemoServer } from './server';
import { expect, test, type } from './test';

const WORDS = 'four crocks under stairs';

test('a kitchen that is open to the house: set by a command, a phone says the passphrase, is let in, and leaves', async ({ browser }) => {
  test.slow();
  const folder = mkdtempSync(join(tmpdir(), 'roskel-door-'));
  const data = join(folder, 'data');
  const command = (input: string) =>
    spawnSync(process.execPath, ['scripts/passphrase.mjs', '--data', data], {
      ...{ cwd: fileURLToPath(new URL('..', import.meta.url)), encoding: 'utf8' as const, input },
    });
  // Without one nobody is let in, and the command says what to do.
  const shut = new DemoServer(4870, true, data, '', ['--open']);
  await expect(shut.start()).rejects.toThrow('ended with 1');
  expect(command('short\n').stderr).toContain('10 to 200 characters');
  expect(command(`${WORDS}\n`).stdout).toContain('The passphrase is set');
  const own = new DemoServer(4870, true, data, '', ['--open']);
  // As a phone comes: by the machine's address in the house, where it has one; a page there may do less than on the machine.
  const inHouse = Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .find((at) => !at.internal && at.family === 'IPv4')?.address;
  const base = (await own.start()).replace('localhost', inHouse ?? 'localhost');
  const context = await browser.newContext({ baseURL: base, viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  try {
    await page.goto('/batches/gorse-gold?at=salt');
    await expect(page).toHaveURL(/\/enter\?to=/);
    const field = page.getByLabel('Passphrase', { exact: true });
    await field.fill('open sesame');
    await field.press('Enter');
    await expect(page.getByRole('alert')).toHaveText('That is not the passphrase of this kitchen.');
    await field.fill(WORDS);
    await page.getByRole('button', { name: 'Come in' }).click();
    await expect(page).toHaveURL(/\/batches\/gorse-gold\?at=salt/);
    await expect(page.getByRole('heading', { name: 'Gorse Gold' })).toBeVisible();
    // Writing and hearing work as anywhere.
    const other = await context.newPage();
    await other.goto('/batches/gorse-gold?at=salt');
    await type(page, 'Salt, %', '4.4');
    await expect(page.getByText('Saved', { exact: true })).toBeVisible();
    await expect(other.getByLabel('Salt, %', { exact: true })).toHaveValue('4.4');
    await page.goto('/today');
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('button', { name: 'Your kitchen' }).click();
    await expect(page.getByRole('heading', { name: 'In the house' })).toBeVisible();
    await expect(page.getByText('Plain HTTP: whoever listens')).toBeVisible();
    if (inHouse) await expect(page.getByText('a browser keeps a page only over TLS')).toBeVisible();
    // Over TLS, for whoever trusts the certificate of the house: the same kitchen, and a session of its own.
    const authority = await (await page.request.get('/house.crt')).text();
    const over = (path: string, headers: Record<string, string> = {}, ca: string | undefined = authority) =>
      new Promise<{ status: number; cookies: string[] }>((done, fail) => {
        const body = headers['Content-Type'] ? JSON.stringify({ passphrase: WORDS }) : undefined;
        const url = new URL(path, base.replace('http:', 'https:').replace(/\d+$/, '5070'));
        const asked = httpsRequest(url, { ca, headers: { 'X-Roskel': '1', ...headers }, method: body ? 'POST' : 'GET' }, (res) => {
          res.resume();
          done({ status: res.statusCode!, cookies: res.headers['set-cookie'] ?? [] });
        });
        asked.on('error', fail);
        asked.end(body);
      });
    await expect(over('/', {}, '')).rejects.toThrow(/certificate/);
    expect((await over('/')).status).toBe(200);
    expect((await over('/api/pods')).status).toBe(401);
    const entered = await over('/api/enter', { 'Content-Type': 'application/json' });
    const [name] = entered.cookies.map((c) => c.split('=')[0]!);
    expect(entered.cookies.every((c) => /; secure/i.test(c))).toBe(true);
    expect((await context.cookies()).map((c) => c.name)).not.toContain(name);
    const cookie = entered.cookies.map((c) => c.split(';')[0]).join('; ');
    expect((await over('/api/pods', { cookie })).status).toBe(200);
    await page.getByRole('button', { name: 'How a phone trusts it' }).click();
    const trust = page.getByRole('dialog', { name: 'A phone that trusts this kitchen' });
    await expect(trust.getByRole('img')).toHaveCount(2);
    await expect(trust.getByRole('link', { name: /^http:.*house\.crt$/ })).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Leave on this device' }).click();
    await expect(page).toHaveURL(/\/enter/);
    expect((await page.request.get('/api/pods')).status()).toBe(401);
    await other.reload();
    await expect(other).toHaveURL(/\/enter/);
  } finally {
    await context.close();
    await own.end();
  }
});
