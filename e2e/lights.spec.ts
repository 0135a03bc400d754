/** Every kind of light, placed and shaped on the stage; what lets light by; what shows only in light. */
import { expect, test, type Page } from '@playwright/test';
import { newLight } from '../src/core/scene/records/light';
import { newOccluder } from '../src/core/scene/records/occluder';
import { newWick } from '../src/core/scene/records/wick';
import {
  clickScene,
  dragScene,
  expectColours,
  keptDocument,
  onStage,
  openDocument,
  saved,
  stage,
} from './helpers';
import { BLACK, RED, WHITE, art, lamp, lampScene, lamplight, man, standing } from './scenes';

const kind = (page: Page) => page.getByLabel('Kind', { exact: true });
const number = async (page: Page, label: string, value: string) => {
  const field = page.getByLabel(`${label}, number`, { exact: true });
  await field.fill(value);
  await field.press('Enter');
};

/** Grey half way between black and white of the wall. */
const HALF = [100, 100, 100];

test('a light becomes a spot, is turned and opened by its handles, and keeps what fits when it is a point again', async ({
  page,
}) => {
  const scene = lampScene();
  scene.lights = { l: { ...lamp('Lamp', 240, 135, 'a1'), reachPx: 90 } };
  await openDocument(page, scene, {});
  await clickScene(page, 240, 135);
  await kind(page).selectOption('spot');
  await expectColours(page, [
    [233, 195, RED],
    [300, 120, BLACK],
  ]);
  // The ring stands a little beyond the reach, below the light.
  await dragScene(page, [240, 235], [340, 135]);
  await expect(page.getByLabel('Bearing, number')).toHaveValue('0');
  await expectColours(page, [
    [290, 143, RED],
    [233, 195, BLACK],
  ]);
  // The side of the beam: half of 24 degrees round from the bearing, at 60 % of the reach.
  const side = (degrees: number): readonly [number, number] => {
    const angle = (degrees * Math.PI) / 180;
    return [240 + 54 * Math.cos(angle), 135 + 54 * Math.sin(angle)];
  };
  await dragScene(page, side(12), side(70));
  await expectColours(page, [[266, 161, RED]]);
  await kind(page).selectOption('point');
  await expectColours(page, [[200, 100, RED]]);
  await kind(page).selectOption('spot');
  await expect(page.getByLabel('Bearing, number')).toHaveValue('0');
  await saved(page);
});

test('an area light is dragged out, its points are pulled, taken away and added, and it casts no shadow until told', async ({
  page,
}) => {
  const scene = lampScene();
  scene.lights = {};
  await openDocument(page, scene, {});
  await page.keyboard.press('p');
  await page.getByRole('group', { name: 'Kind of new lights' }).getByRole('button', { name: 'Area' }).click();
  await dragScene(page, [100, 100], [200, 180]);
  await page.getByLabel('Colour, hex').first().fill('#ff0000');
  await page.getByLabel('Colour, hex').first().press('Enter');
  await number(page, 'Feather', '0');
  await number(page, 'Level', '0.8');
  await number(page, 'Relief', '0');
  await expectColours(page, [
    [150, 120, RED],
    [230, 172, BLACK],
    [150, 190, BLACK],
  ]);
  // A hole in its middle, moved as a whole, and taken away point by point.
  await page.getByRole('button', { name: 'Cut a hole' }).click();
  await expectColours(page, [
    [150, 140, BLACK],
    [150, 112, RED],
  ]);
  await page.keyboard.down('Alt');
  await dragScene(page, [130, 124], [112, 136]);
  await page.keyboard.up('Alt');
  await expectColours(page, [
    [162, 142, RED],
    [118, 160, BLACK],
  ]);
  for (const corner of [112, 152]) {
    const [x, y] = await onStage(page, corner, 136);
    await stage(page).dblclick({ position: { x, y } });
  }
  await expectColours(page, [[118, 160, RED]]);
  await dragScene(page, [200, 180], [260, 180]);
  await expectColours(page, [[230, 172, RED]]);
  // A double click on that point takes it away: three are left.
  const [x, y] = await onStage(page, 260, 180);
  await stage(page).dblclick({ position: { x, y } });
  await expectColours(page, [
    [190, 172, BLACK],
    [130, 115, RED],
  ]);
  await expect(page.getByRole('region', { name: 'Shadow' })).toContainText('throws none');
  await page.getByLabel('Begin with').selectOption('fan-light');
  await expectColours(page, [[190, 172, BLACK]]);
});

test('a gobo shapes a light, and is sized on the stage', async ({ page }) => {
  const scene = lampScene();
  scene.lights = {};
  scene.artworks.man = art('Man', 20, 40);
  await openDocument(page, scene, { man: man() });
  await page.keyboard.press('p');
  const kinds = page.getByRole('group', { name: 'Kind of new lights' });
  await kinds.getByRole('button', { name: 'Gobo' }).click();
  await clickScene(page, 240, 135);
  await expect(page.getByText(/Choose the picture of the gobo/)).toBeVisible();
  await page.getByLabel('Picture').selectOption({ label: 'Man' });
  await dragScene(page, [240, 135], [280, 165]);
  await number(page, 'Level', '1');
  await number(page, 'Relief', '0');
  // The picture is one colour, 180 150 120; times the wall's 200, and the new light's own colour.
  const tone = [141, 100, 59];
  await expectColours(page, [
    [275, 160, tone],
    [285, 160, BLACK],
  ]);
  await dragScene(page, [280, 165], [300, 165]);
  await expectColours(page, [[290, 160, tone]]);
});

test('a wall lets half of the light by, throws a shadow that ends, and shadows turn soft', async ({
  page,
}) => {
  const scene = lamplight();
  scene.lights.l = { ...scene.lights.l, locked: false, heightPx: 60 };
  scene.occluders.o = newOccluder({
    name: 'Pane',
    planeId: 'plane-near',
    kind: 'closed',
    outlines: [[300, 100, 310, 100, 310, 170, 300, 170]],
  });
  await openDocument(page, scene, {});
  await expectColours(page, [[420, 135, BLACK]]);
  await clickScene(page, 300, 120);
  await number(page, 'Transmittance', '0.5');
  await expectColours(page, [[420, 135, HALF]]);
  await number(page, 'Transmittance', '0');
  await page.getByRole('region', { name: 'Shadow' }).getByRole('switch', { name: 'Shadow' }).click();
  // 24 px high under a lamp of 60: from 70 px away it reaches 70 * 60 / 36, to 117.
  await expectColours(page, [
    [350, 135, BLACK],
    [364, 135, WHITE],
  ]);
  await page.getByRole('region', { name: 'Shadow' }).getByRole('switch', { name: 'Shadow' }).click();
  await page.keyboard.press('Escape');
  await clickScene(page, 240, 135);
  await number(page, 'Softness', '20');
  await page.keyboard.press('Escape');
  // The shadow's edge runs through the corner at 300, 100: in the penumbra it is neither light nor dark.
  await expectColours(page, [
    [380, 135, BLACK],
    [380, 53, HALF],
    [380, 8, WHITE],
  ]);
});

test('what is seen when lit shows only where light falls, and the work lamp shows it too', async ({
  page,
}) => {
  const scene = lampScene();
  scene.settings.scene.ambientLevel = 0.2;
  scene.settings.scene.ambientColour = '#ffffff';
  const board = { colour: '#00ff00', widthPx: 20, heightPx: 20 };
  scene.sprites.here = standing({
    name: 'Here',
    plain: board,
    x: 105,
    y: 65,
    answer: 'seen-when-lit',
    seenGain: 32,
  });
  scene.sprites.there = standing({ name: 'There', plain: board, x: 300, y: 65, answer: 'shaded' });
  await openDocument(page, scene, {});
  await expectColours(page, [[300, 65, [0, 51, 0]]]);
  await clickScene(page, 300, 65);
  await page.getByRole('combobox', { name: 'Answer' }).selectOption('seen-when-lit');
  await page.keyboard.press('Escape');
  await expectColours(page, [
    [300, 65, [40, 40, 40]],
    [110, 68, [0, 51, 0]],
  ]);
  await page.keyboard.press('w');
  await expect(page.getByRole('button', { name: 'Work lamp' })).toHaveAttribute('aria-pressed', 'true');
  // Under the work lamp's 0.65 with a gain of 4 all of it is there, lit by both; under a wipe nothing of that is.
  await expectColours(page, [[300, 65, [0, 217, 0]]]);
  await page.getByLabel('Wipe').selectOption('shadows');
  await expectColours(page, [[300, 65, [40, 40, 40]]]);
});

/** What can be wrong with a graphics card, as it shows to a page; and what is said of it. */
const FAULTS: { name: string; spoil: () => void; words: RegExp }[] = [
  {
    name: 'gives no WebGL 2',
    spoil: () => {
      const get = HTMLCanvasElement.prototype.getContext as (...all: unknown[]) => unknown;
      HTMLCanvasElement.prototype.getContext = function (
        this: HTMLCanvasElement,
        kind: string,
        ...rest: unknown[]
      ) {
        return kind === 'webgl2' ? null : get.call(this, kind, ...rest);
      } as never;
    },
    words: /gives no WebGL 2.*A still picture is shown instead/,
  },
  {
    name: 'has no float targets',
    spoil: () => {
      WebGL2RenderingContext.prototype.getExtension = () => null;
    },
    words: /cannot draw into float textures.*A still picture is shown instead/,
  },
  {
    name: 'takes small textures alone',
    spoil: () => {
      const { getParameter } = WebGL2RenderingContext.prototype;
      WebGL2RenderingContext.prototype.getParameter = function (name: number) {
        return name === WebGL2RenderingContext.MAX_TEXTURE_SIZE ? 256 : getParameter.call(this, name);
      };
    },
    words: /takes pictures of up to 256 px a side, and .* px are wanted.*A still picture is shown instead/,
  },
  {
    name: 'does not compile a shader',
    spoil: () => {
      const { shaderSource } = WebGL2RenderingContext.prototype;
      WebGL2RenderingContext.prototype.shaderSource = function (shader, source) {
        shaderSource.call(this, shader, source.replace('void main()', 'void main(nothing)'));
      };
    },
    words: /^Shader of .* does not compile.*A still picture is shown instead/,
  },
];

for (const { name, spoil, words } of FAULTS) {
  test(`where the graphics card ${name}, that is said, and a still picture stands in and follows changes`, async ({
    page,
  }) => {
    await page.addInitScript(spoil);
    await openDocument(page, lampScene(), {});
    await expect(page.getByText(words)).toBeVisible();
    await expectColours(page, [
      [92, 66, RED],
      [200, 60, BLACK],
    ]);
    await dragScene(page, [100, 60], [200, 60]);
    await page.keyboard.press('Escape');
    await expectColours(page, [
      [192, 66, RED],
      [92, 66, BLACK],
    ]);
  });
}

test('a lost graphics context is waited for, whatever is redrawn meanwhile, and comes back with all that was drawn', async ({
  page,
}) => {
  const scene = lampScene();
  scene.occluders.o = newOccluder({
    name: 'Wall',
    planeId: 'plane-near',
    kind: 'closed',
    outlines: [[110, 40, 114, 40, 114, 80, 110, 80]],
  });
  scene.lights.l1.shadows = true;
  // A flame that burns wants the next frame by itself.
  scene.wicks.w = newWick({ name: 'Breeze', seed: 7 });
  scene.lights.flame = newLight({ ...scene.lights.l1, name: 'Flame', x: 400, wickId: 'w' });
  await openDocument(page, scene, {});
  const shown = [
    [92, 66, RED],
    [118, 60, BLACK],
  ] as const;
  await expectColours(page, shown);
  const loseOrRestore = (what: 'loseContext' | 'restoreContext') =>
    page.evaluate((name) => {
      const kept = window as unknown as { lose?: WEBGL_lose_context };
      // A lost context gives no extensions: what gives it back is kept from before.
      kept.lose ??= [...document.querySelectorAll('canvas')]
        .map((canvas) => canvas.getContext('webgl2')?.getExtension('WEBGL_lose_context'))
        .find((lose) => lose)!;
      kept.lose[name]();
    }, what);
  await loseOrRestore('loseContext');
  const box = (await stage(page).boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.wheel(0, -100);
  // Long enough for the flame to have wanted many frames.
  await page.waitForTimeout(400);
  await page.mouse.wheel(0, 100);
  await loseOrRestore('restoreContext');
  await page.keyboard.press('0');
  await expectColours(page, shown);
  await expect(page.getByText(/still picture/)).toHaveCount(0);
  await dragScene(page, [100, 60], [60, 60]);
  await page.keyboard.press('Escape');
  await expectColours(page, [
    [52, 66, RED],
    [92, 66, BLACK],
  ]);
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('list', { name: 'Passes' }).getByRole('button').first()).toBeVisible();
});

test('a snag is named in the bar and mended there', async ({ page }) => {
  const scene = lampScene();
  scene.lights.l1.circuitIds = ['house', 'cellar'];
  await openDocument(page, scene, {});
  await page.getByRole('button', { name: '1 snag' }).click();
  const snag = page.getByRole('list', { name: 'Snags', exact: true }).getByRole('listitem');
  await expect(snag).toContainText('names circuits/cellar');
  await snag.getByRole('button', { name: 'Pick it' }).click();
  await expect(page.getByLabel('Name of the light')).toBeVisible();
  await snag.getByRole('button', { name: 'Leave it out' }).click();
  await expect(page.getByRole('button', { name: 'No snags' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: '1 snag' })).toBeVisible();
});

test('while one light is dragged, those that stand are not drawn again', async ({ page }) => {
  // Lights are the only fans of triangles that are drawn.
  await page.addInitScript(() => {
    const { prototype } = WebGL2RenderingContext;
    const drawing = prototype.drawArraysInstanced;
    Object.assign(window, { lightsDrawn: 0 });
    prototype.drawArraysInstanced = function (mode, first, count, instances) {
      if (mode === this.TRIANGLE_FAN) (window as unknown as { lightsDrawn: number }).lightsDrawn += instances;
      drawing.call(this, mode, first, count, instances);
    };
  });
  const drawn = () =>
    page.evaluate(() => {
      const counted = window as unknown as { lightsDrawn: number };
      const { lightsDrawn } = counted;
      counted.lightsDrawn = 0;
      return lightsDrawn;
    });
  const scene = lampScene();
  const standingLights = Array.from({ length: 30 }, (_, i) => [
    `l${i}`,
    { ...lamp(`Lamp ${i}`, 20 + 15 * i, 40, `b${String(i).padStart(2, '0')}`), level: 0.1 },
  ]);
  scene.lights = { mover: lamp('Mover', 240, 180, 'a1'), ...Object.fromEntries(standingLights) };
  const { sceneId } = await openDocument(page, scene, {}, '?bench=stage&hour=12.00&at=0.00');
  await expectColours(page, [[248, 180, RED]]);
  const [x, y] = await onStage(page, 240, 180);
  const box = (await stage(page).boundingBox())!;
  await page.mouse.move(box.x + x, box.y + y);
  await page.mouse.down();
  const frames: number[] = [];
  for (let step = 1; step <= 8; step++) {
    await page.mouse.move(box.x + x + 20 * step, box.y + y);
    await page.waitForTimeout(150);
    frames.push(await drawn());
  }
  await page.mouse.up();
  await expect.poll(async () => (await keptDocument(page, sceneId)).lights.mover.x).toBe(320);
  // The first frames find out what stands; from then on it is the one light, in a few frames each time.
  expect(Math.max(...frames.slice(4)), frames.join(' ')).toBeLessThan(20);
  expect(Math.min(...frames.slice(4)), frames.join(' ')).toBeGreaterThan(0);
});
