/** The day as it is set on the Time bench and the dayline: recorded, drawn, switched, lit by the sky, and frozen. */
import { expect, test, type Page } from '@playwright/test';
import { newCircuit } from '../src/core/scene/records/circuit';
import { newCue } from '../src/core/scene/records/cue';
import { newLight } from '../src/core/scene/records/light';
import { newSprite } from '../src/core/scene/records/sprite';
import {
  keptDocument,
  onStage,
  openDocument,
  pixelAt,
  png,
  saved,
  setNumber,
  stage,
  stagePixels,
  shownColour,
} from './helpers';
import { art, bright, lampScene, wall } from './scenes';

const hour = (page: Page) =>
  page.getByRole('group', { name: 'Dayline' }).getByRole('slider', { name: 'Hour' });

/** Drags the playhead along the dayline. */
async function goTo(page: Page, hours: number): Promise<void> {
  const track = (await page.getByRole('group', { name: 'Dayline' }).boundingBox())!;
  const at = (h: number) => track.x + 104 + 16 + ((track.width - 136) * h) / 24;
  const head = (await hour(page).boundingBox())!;
  await page.mouse.move(head.x + head.width / 2, track.y + 5);
  await page.mouse.down();
  await page.mouse.move((head.x + at(hours)) / 2, track.y + 5);
  await page.mouse.move(at(hours), track.y + 5);
  await page.mouse.up();
}

/** How much of all three colours a place of the scene shows, 0 to 765. */
const shine = async (page: Page, x: number, y: number) =>
  (await shownColour(page, ...(await onStage(page, x, y)))).reduce((sum, v) => sum + v, 0);

test('what was changed since the last record is offered ticked, and alone is held by the cue', async ({
  page,
}) => {
  const scene = lampScene();
  scene.cues.a = newCue({ clockHours: 3, ambientLevel: 0.1, ambientColour: '#ffffff' });
  const { sceneId } = await openDocument(page, scene, {}, '?bench=time&part=day&hour=12&at=0');
  const column = page.getByRole('region', { name: 'At 12:00' });
  await setNumber(column, 'Ambient level', '0.9');
  await setNumber(column, 'House', '0');
  await expect.poll(() => shine(page, 240, 200)).toBeGreaterThan(500);
  // The lamp is on the house circuit.
  const isOut = async () => (await shine(page, 112, 60)) === (await shine(page, 240, 200));
  await expect.poll(isOut).toBe(true);
  expect(Object.keys((await keptDocument(page, sceneId)).cues)).toEqual(['a']);
  await page.keyboard.press('Alt+r');
  const panel = page.getByRole('dialog', { name: 'Record a cue at 12:00' });
  await expect(panel.getByRole('checkbox', { checked: true })).toHaveCount(2);
  await page.keyboard.press('Enter');
  const held = Object.values((await keptDocument(page, sceneId)).cues).find(
    ({ clockHours }) => clockHours === 12,
  );
  expect(held).toMatchObject({
    ...{ ambientLevel: 0.9, ambientColour: null, sunLevel: null, exposureStops: null },
    circuitLevels: [{ circuitId: 'house', level: 0, held: false }],
  });
  await goTo(page, 3);
  await expect.poll(() => shine(page, 240, 200)).toBeLessThan(120);
  // What is tried and not recorded goes with its hour.
  await page.getByRole('button', { name: 'Leave this cue' }).click();
  await setNumber(page.getByRole('region', { name: /^At 0[23]:/ }), 'Ambient level', '1');
  await expect.poll(() => shine(page, 240, 200)).toBeGreaterThan(500);
  await goTo(page, 4);
  await expect.poll(() => shine(page, 240, 200)).toBeLessThan(300);
});

test('points of a chart are dragged, added by a click, let go by a double click, and moved by keys', async ({
  page,
}) => {
  const scene = bright();
  scene.sprites.wall = wall();
  scene.cues.a = newCue({ clockHours: 6, ambientLevel: 0.2 });
  scene.cues.b = newCue({ clockHours: 18, ambientLevel: 0.8 });
  const { sceneId } = await openDocument(page, scene, {}, '?bench=time&part=day&hour=18&at=0');
  const cues = async () =>
    Object.values((await keptDocument(page, sceneId)).cues)
      .sort((a, b) => a.clockHours - b.clockHours)
      .map(({ clockHours, ambientLevel }) => [clockHours, ambientLevel]);
  const before = await shine(page, 240, 135);
  const late = page.getByRole('slider', { name: 'Ambient level at 18:00' });
  const box = (await late.boundingBox())!;
  const middle = [box.x + box.width / 2, box.y + box.height / 2] as const;
  await page.mouse.move(...middle);
  await page.mouse.down();
  await page.mouse.move(middle[0], middle[1] + 20);
  await page.mouse.move(middle[0], middle[1] + 40);
  await expect.poll(() => shine(page, 240, 135)).toBeLessThan(before - 60);
  await page.mouse.up();
  const [, [at, level]] = await cues();
  expect(at).toBeCloseTo(18, 1);
  expect(level).toBeLessThan(0.5);
  // By keys: five minutes later, and one step up.
  await page.getByRole('slider', { name: /^Ambient level at 18:/ }).focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowUp');
  await expect.poll(async () => (await cues())[1][0]).toBeCloseTo(at! + 1 / 12, 5);
  expect((await cues())[1][1]).toBeGreaterThan(level!);
  const chart = page.getByRole('group', { name: 'Ambient level over the day' });
  const frame = (await chart.boundingBox())!;
  await page.mouse.click(frame.x + frame.width / 2, frame.y + frame.height / 2);
  await expect.poll(async () => (await cues()).map(([hours]) => Math.round(hours!))).toEqual([6, 12, 18]);
  await page.getByRole('slider', { name: /^Ambient level at 12:/ }).dblclick();
  await expect
    .poll(async () => (await cues()).map(([, value]) => value === null))
    .toEqual([false, true, false]);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await cues())[1][1]).not.toBeNull();
});

test('a held value jumps at the next cue where a smooth one runs on', async ({ page }) => {
  const scene = bright();
  scene.sprites.wall = wall();
  scene.cues.a = newCue({ clockHours: 6, ambientLevel: 0.1 });
  scene.cues.b = newCue({ clockHours: 18, ambientLevel: 0.9 });
  await openDocument(page, scene, {}, '?bench=time&part=day&hour=12&at=0&pick=cues:a');
  const smooth = await shine(page, 240, 135);
  await page.getByRole('switch', { name: 'Ambient level after this cue' }).click();
  await expect.poll(() => shine(page, 240, 135)).toBeLessThan(smooth / 2);
  await saved(page);
});

test('a sun goes over the scene: lit from its side, shadows away from it, and none of it at night', async ({
  page,
}) => {
  const scene = bright();
  Object.assign(scene.settings.scene, { ambientLevel: 0, viewTiltDeg: 90, sunRiseHours: 6, sunSetHours: 18 });
  scene.sprites.wall = wall();
  scene.artworks.post = { ...art('Post', 12, 40), pivotX: 6, pivotY: 40 };
  scene.sprites.post = newSprite({
    ...{
      name: 'Post',
      planeId: 'plane-near',
      order: 'b',
      artworkId: 'post',
      x: 240,
      y: 150,
      castsShape: true,
    },
  });
  const pictures = { post: png(12, 40, () => [60, 60, 60, 255]) };
  await openDocument(page, scene, pictures, '?bench=time&part=sky&hour=9&at=0');
  await page.getByRole('button', { name: 'Add a sun' }).click();
  await page.keyboard.press('Escape');
  // The sun is in the south-east: from above, the shape falls to the left and up.
  const fallen = async (x: number) => (await shine(page, x, 138)) < (await shine(page, 60, 240)) / 2;
  await expect.poll(() => fallen(227)).toBe(true);
  expect(await fallen(253)).toBe(false);
  await goTo(page, 15);
  await expect.poll(() => fallen(253)).toBe(true);
  expect(await fallen(227)).toBe(false);
  await goTo(page, 22);
  await expect.poll(() => shine(page, 60, 240)).toBeLessThan(10);
});

test('the sun of a place on a date is told in words, and a plane that is no ground takes no shapes', async ({
  page,
}) => {
  const scene = bright();
  scene.sprites.wall = wall();
  const { sceneId } = await openDocument(page, scene, {}, '?bench=time&part=sky&hour=9&at=0');
  await page.getByLabel('Sun by', { exact: true }).selectOption({ label: 'A place on a date' });
  for (const [label, value] of [
    ['Latitude', '59.9139'],
    ['Longitude', '10.7522'],
    ['UTC offset', '2'],
    ['Year', '2024'],
    ['Month', '6'],
    ['Day', '21'],
  ])
    await setNumber(page, label, value);
  await expect(page.getByText(/The sun rises at 03:54, .* sets at 22:44/)).toBeVisible();
  await setNumber(page, 'Latitude', '75');
  await expect(page.getByText(/The sun does not set on this day/)).toBeVisible();
  await page.getByRole('link', { name: 'Stage' }).click();
  await page.getByLabel('Elevation').getByRole('button', { name: 'Far', exact: true }).click();
  await page.getByRole('switch', { name: 'Sun shadows' }).click();
  expect((await keptDocument(page, sceneId)).planes['plane-far'].ground).toBe(false);
});

test('the lamps of a circuit are lit one after another, and what glows with them glows', async ({ page }) => {
  const scene = lampScene();
  scene.circuits.lamps = newCircuit({ name: 'Lamps', order: 'b' });
  const ids = Array.from({ length: 6 }, (_, i) => `lamp-${i}`);
  scene.lights = Object.fromEntries(
    ids.map((id, i) => [
      id,
      newLight({
        ...{
          name: id,
          planeId: 'plane-near',
          order: `a${i}`,
          x: 60 + 70 * i,
          y: 60,
          circuitIds: ['house', 'lamps'],
        },
        ...{ colour: '#ff0000', level: 0.8, curve: 'even', reachPx: 20, relief: 0, shadows: false },
      }),
    ]),
  );
  scene.sprites.glass = newSprite({
    ...{
      name: 'Glass',
      planeId: 'plane-near',
      order: 'c',
      artworkId: null,
      x: 240,
      y: 200,
      answer: 'self-lit',
    },
    ...{ plain: { colour: '#ffffff', widthPx: 20, heightPx: 20 }, glowsWithId: 'lamp-0' },
  });
  await openDocument(page, scene, {}, '?bench=time&part=sky&hour=17.5&at=0');
  await page.getByLabel('B Lamps', { exact: true }).selectOption({ label: 'Between two hours' });
  await setNumber(page, 'On at', '18');
  await setNumber(page, 'Spread', '60');
  const lit = async () => {
    const image = await stagePixels(page);
    const places = await Promise.all(ids.map((_, i) => onStage(page, 60 + 70 * i, 68)));
    return places.map((place) => pixelAt(image, ...place)[0] > 100);
  };
  await expect.poll(lit).toEqual(ids.map(() => false));
  await expect.poll(() => shine(page, 240, 200)).toBeLessThan(10);
  await goTo(page, 18.5);
  await expect.poll(async () => (await lit()).filter(Boolean).length).toBeGreaterThan(0);
  expect((await lit()).filter(Boolean).length).toBeLessThan(ids.length);
  await goTo(page, 19.2);
  await expect.poll(lit).toEqual(ids.map(() => true));
  await expect.poll(() => shine(page, 240, 200)).toBeGreaterThan(700);
  await page.getByRole('link', { name: 'Stage' }).click();
});

test('one key stops everything; time is stepped through by frames and minutes; the day is played at a speed', async ({
  page,
}) => {
  const scene = bright();
  scene.sprites.wall = wall();
  await openDocument(page, scene, {}, '?bench=time&part=day&hour=9');
  await page.getByLabel('Play', { exact: true }).selectOption({ label: 'A day in 20 seconds' });
  await stage(page).focus();
  await page.keyboard.press('d');
  await expect.poll(async () => Number((await hour(page).textContent())!.slice(0, 2))).toBeGreaterThan(10);
  await page.keyboard.press('f');
  const at = await hour(page).textContent();
  await page.waitForTimeout(600);
  expect(await hour(page).textContent()).toBe(at);
  await page.keyboard.press('}');
  const minutes = (text: string | null) => Number(text!.slice(0, 2)) * 60 + Number(text!.slice(3));
  expect(minutes(await hour(page).textContent())).toBe(minutes(at) + 1);
  await page.keyboard.press('{');
  await page.keyboard.press('{');
  expect(minutes(await hour(page).textContent())).toBe(minutes(at) - 1);
  const second = () => Number(new URL(page.url()).searchParams.get('at'));
  await expect.poll(second).toBeGreaterThan(0);
  const from = second();
  for (let i = 0; i < 6; i++) await page.keyboard.press(']');
  await expect.poll(second).toBeCloseTo(from + 0.1, 1);
  expect(second()).toBeGreaterThan(from);
  await page.keyboard.press('f');
  await expect.poll(() => hour(page).textContent()).not.toBe(at);
});

test('the stage is seen by the eyes of others, and the scene stays as it is', async ({ page }) => {
  const scene = bright();
  scene.sprites.wall = { ...wall(), plain: { colour: '#c83232', widthPx: 480, heightPx: 270 } };
  await openDocument(page, scene, {}, '?bench=stage');
  const seen = async () => shownColour(page, ...(await onStage(page, 240, 135)));
  const near = (colour: readonly number[]) => colour.map((v) => expect.closeTo(v, -1) as unknown);
  await expect.poll(seen).toEqual(near([200, 50, 50]));
  await page.getByLabel('Seen by', { exact: true }).selectOption({ label: 'a deuteranope' });
  // As the matrix has it: red turns to a dull yellow.
  await expect.poll(seen).toEqual(near([132, 119, 44]));
  await page.getByLabel('Seen by', { exact: true }).selectOption({ label: 'your own eyes' });
  await expect.poll(seen).toEqual(near([200, 50, 50]));
});

test('whoever wants little motion begins with all of it frozen', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await openDocument(page, bright(), {}, '?bench=stage');
  await expect(page.getByRole('button', { name: 'Freeze' })).toHaveAttribute('aria-pressed', 'true');
});
