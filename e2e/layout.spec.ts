/** Every state of every bench of the demo: nothing cut, nothing over something else, nothing without a name. */
import { expect, test, type Page } from '@playwright/test';
import { faultsOfRoom } from './room';

type Act = (page: Page) => Promise<void>;

const press =
  (...keys: string[]): Act =>
  async (page) => {
    for (const key of keys) await page.keyboard.press(key);
  };
const click =
  (name: string | RegExp): Act =>
  (page) =>
    page.getByRole('button', { name }).first().click();
const tab =
  (name: string): Act =>
  (page) =>
    page.getByRole('tab', { name }).click();
const kind =
  (word: string): Act =>
  async (page) => {
    await page.getByLabel('Kind', { exact: true }).selectOption({ label: word });
  };

/** Address, and what is done there. */
const STATES: readonly (readonly [name: string, query: string, ...acts: Act[]])[] = [
  ['the scene', 'bench=stage'],
  ...['Point', 'Spot', 'Area', 'Gobo', 'Sun', 'Ambient'].map(
    (word) => [`a light: ${word}`, 'bench=stage&pick=lights:light-platform', kind(word)] as const,
  ),
  ['a lamp', 'bench=stage&pick=lamps:lamplighter-lantern'],
  ['a sprite', 'bench=stage&pick=sprites:wagon'],
  ['a plane', 'bench=stage&pick=planes:halt'],
  ['a plane of tiles', 'bench=stage&pick=planes:wall'],
  ['everything picked', 'bench=stage', press('Control+a')],
  ['the light tool', 'bench=stage', press('p')],
  ['the scatter tool', 'bench=stage', press('s')],
  ['the shelf', 'bench=stage', click('Open the shelf')],
  ['luminaires on the shelf', 'bench=stage', click('Open the shelf'), click('Luminaires')],
  ['the keys', 'bench=stage', press('?')],
  ['time', 'bench=time'],
  ['a cue', 'bench=time&pick=cues:cue-morning'],
  ['art', 'bench=art', click(/^Stove smoke:/)],
  ['a frame', 'bench=art', click(/^Stove smoke:/), click(/^Frame 3/)],
  ['outlines of art', 'bench=art', click(/^Wall tiles:/), press('k')],
  ['the bin', 'bench=art', click(/^Bin:/)],
  ['relief: form', 'bench=relief', tab('Form')],
  ['relief: strokes', 'bench=relief', press('c')],
  ['relief: maps', 'bench=relief', tab('Maps')],
  ['hand-off', 'bench=handoff'],
];

test('no screen of the demo has text that is cut, controls over each other, or a control without a name', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto('/');
  const found: Record<string, string[]> = {};
  const note = async (name: string) => {
    await page.waitForTimeout(250);
    const faults = await faultsOfRoom(page);
    if (faults.length > 0) found[name] = faults;
  };
  const link = page.getByRole('link', { name: 'Open Evening train' });
  await link.waitFor();
  await note('the front page');
  const copy = await page.request.post(`/api${(await link.getAttribute('href'))!}/copies`, {
    data: { name: 'Laid out' },
    headers: { origin: new URL(process.env.OILWICK_TEST_URL!).origin },
  });
  const { id } = (await copy.json()) as { id: string };
  const scene = `/scenes/${id}`;
  for (const [name, query, ...acts] of STATES) {
    await page.goto(`${scene}?${query}&hour=19&at=2`);
    await page.getByText('Saved', { exact: true }).waitFor();
    for (const act of acts) await act(page);
    await note(name);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+z');
  }
  expect(found).toEqual({});
});
