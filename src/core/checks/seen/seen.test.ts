import { describe, expect, it } from 'vitest';
import { hexToLinear } from '../../raster/colour';
import { newCue } from '../../scene/records/cue';
import { newWick } from '../../scene/records/wick';
import { walled, type Parts } from '../../light/testing/wall';
import type { SceneDocument } from '../../scene/document';
import { NO_FILES } from '../check-files';
import { contrast, FigureSeen } from './seen';
import { worstSeen } from './seen-report';

/** A figure before a white wall of which the light is what the ambient light says. */
function figureOn(colour: string, parts: Parts = {}, wall = '#808080'): SceneDocument {
  return walled({
    settings: { ambientLevel: 1, ambientColour: '#ffffff', lightSpace: 'linear', ...parts.settings },
    lights: parts.lights,
    sprites: [
      { plain: { colour: wall, widthPx: 200, heightPx: 100 }, x: 100, y: 50 },
      { plain: { colour, widthPx: 20, heightPx: 30 }, x: 100, y: 50, planeId: 'plane-near' },
    ],
  });
}

function seen(scene: SceneDocument, spriteId = 's2') {
  const check = new FigureSeen(scene, NO_FILES, spriteId);
  while (check.step());
  expect(check.share).toBe(1);
  return check.report();
}

describe('the contrast of two colours', () => {
  it('is 100 between black and white, 0 between equals, for everybody', () => {
    for (const eye of ['typical', 'protanope', 'tritanope'] as const) {
      expect(contrast([0, 0, 0], [1, 1, 1], eye)).toBeCloseTo(100, 2);
      expect(contrast([0.2, 0.3, 0.4], [0.2, 0.3, 0.4], eye)).toBe(0);
    }
  });

  it('is small between a red and a green for those who lack the cones that tell them apart', () => {
    const [red, green] = [hexToLinear('#b06030'), hexToLinear('#708030')];
    expect(contrast(red, green, 'deuteranope')).toBeLessThan(0.5 * contrast(red, green, 'typical'));
    expect(contrast(red, green, 'tritanope')).toBeGreaterThan(0.7 * contrast(red, green, 'typical'));
  });
});

describe('can it be seen', () => {
  it('compares the figure with what surrounds it', () => {
    const report = seen(figureOn('#ffffff'));
    const wanted = contrast(hexToLinear('#ffffff'), hexToLinear('#808080'), 'typical');
    expect(report.curves.typical.lowest[10]).toBeCloseTo(wanted, 6);
    expect(report.curves.typical.highest[40]).toBeCloseTo(wanted, 6);
    expect(seen(figureOn('#808080')).curves.typical.mean[3]).toBeCloseTo(0, 9);
  });

  it('follows the day: it is lost at the hour at which it is dark', () => {
    const scene = figureOn('#ffffff');
    scene.cues.night = newCue({ clockHours: 3, ambientLevel: 0.001 });
    scene.cues.noon = newCue({ clockHours: 12, ambientLevel: 1 });
    const report = seen(scene);
    const worst = worstSeen(report, 'typical')!;
    expect(worst.hour).toBeCloseTo(3, 0);
    expect(worst.contrast).toBeLessThan(5);
    expect(report.curves.typical.lowest[36]).toBeGreaterThan(30);
  });

  it('shows the spread of the flicker, and the second at which it is worst', () => {
    const scene = figureOn('#ffffff', {
      settings: { ambientLevel: 0 },
      lights: [{ x: 100, y: 50, level: 1, reachPx: 300, wickId: 'flame' }],
    });
    scene.wicks.flame = newWick({
      ...{ name: 'Flame', seed: 2, kind: 'pulse', levelLow: 0, levelHigh: 1, rateHz: 0.3, loopSeconds: 60 },
    });
    const { curves } = seen(scene);
    expect(curves.typical.highest[0]).toBeGreaterThan(2 * curves.typical.lowest[0]);
    expect(curves.typical.lowestAt[0]).toBeGreaterThan(0);
  });

  it('says nothing of what is not in the picture', () => {
    const scene = figureOn('#ffffff');
    scene.sprites.s2 = { ...scene.sprites.s2, x: 1000 };
    expect(worstSeen(seen(scene), 'typical')).toBeNull();
    expect(worstSeen(seen(scene, 'nobody'), 'typical')).toBeNull();
  });
});
