import { describe, expect, it } from 'vitest';
import { newScene } from '@/core/scene/new-scene';
import { rulerUpTo, shareAcross } from './ruler';

describe('the ruler of the elevation', () => {
  it('draws the highest thing within the strip, however high it is', () => {
    for (const highest of [0, 96, 500, 100_000]) {
      const ruler = rulerUpTo(highest);
      expect(ruler.shareOf(ruler.topPx)).toBeCloseTo(0.88, 6);
      expect(ruler.shareOf(0)).toBe(0);
    }
  });
  it('leads back from a share to the height that is drawn there', () => {
    const ruler = rulerUpTo(2000);
    for (const height of [0, 1, 24, 96, 777, 2000])
      expect(ruler.heightAt(ruler.shareOf(height))).toBe(height);
  });
  it('keeps low lights apart beside very high ones', () => {
    const ruler = rulerUpTo(20_000);
    expect(ruler.shareOf(48) - ruler.shareOf(24)).toBeGreaterThan(0.03);
  });
  it('goes on above the strip, up to the limit', () => {
    const ruler = rulerUpTo(96);
    expect(ruler.heightAt(1.2)).toBeGreaterThan(150);
    expect(ruler.heightAt(50)).toBe(100_000);
    expect(ruler.heightAt(-1)).toBe(0);
  });
  it('stands what is beside the gate at its sides', () => {
    const scene = newScene();
    expect([-50, 0, 240, 480, 900].map((x) => shareAcross(scene, x))).toEqual([0, 0, 0.5, 1, 1]);
  });
});
