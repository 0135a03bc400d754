/** Every bench and panel of the demo is looked through for what keeps people from using it. */
import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';

/** What comes up serious or critical, with where it is. */
async function seriousFindings(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .flatMap(({ id, nodes }) =>
      nodes.map(({ target, failureSummary }) => `${id}: ${target.join(' ')} ${failureSummary}`),
    );
}

/** How each is come to from the one before, all in one visit. */
const STATES: readonly (readonly [name: string, keys: readonly string[]])[] = [
  ['the Stage', []],
  ['the wiring', ['Alt+w']],
  ['the revisions', ['Alt+h']],
  ['the steps', ['Alt+z']],
  ['the palette', ['Alt+z', 'Control+k']],
  ['the keys', ['Escape', '?']],
  ['the Art bench', ['Escape', 'Alt+1']],
  ['the Relief bench', ['Alt+2']],
  ['the Time bench', ['Alt+4']],
  ['the Finish bench', ['Alt+5']],
  ['the Hand-off bench', ['Alt+6']],
];

test('no bench has a serious finding', { tag: '@slow' }, async ({ page }) => {
  test.setTimeout(180_000);
  const found: Record<string, string[]> = {};
  const look = async (name: string) => {
    const findings = await seriousFindings(page);
    if (findings.length > 0) found[name] = findings.map((one) => one.slice(0, 300));
  };
  await page.goto('/');
  const open = page.getByRole('link', { name: 'Open Evening train' });
  await expect(open).toBeVisible();
  await look('the front page');
  await open.click();
  await page.waitForURL(/scenes\//);
  await page.goto(`${new URL(page.url()).pathname}?bench=stage&hour=19.20&at=2.00`);
  await expect(page.getByText('Saved')).toBeVisible();
  for (const [name, keys] of STATES) {
    for (const key of keys) await page.keyboard.press(key);
    await look(name);
  }
  await page.keyboard.press('Alt+3');
  await page.getByRole('button', { name: 'Pick Platform lamp' }).click();
  await look('a picked light');
  expect(found).toEqual({});
});
