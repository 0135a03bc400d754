import { describe, expect, it } from 'vitest';
import { FrameClock } from './frame-clock';

/** A context whose frames end when the test says so; with the card's own timer, or without. */
function fakeContext(timer: { ms: number; isDisjoint: boolean } | null) {
  let ended = 0;
  const frames: { index: number }[] = [];
  const begun = () => {
    const frame = { index: frames.length };
    frames.push(frame);
    return frame;
  };
  const isOver = (frame: object) => (frame as { index: number }).index < ended;
  const gl = {
    QUERY_RESULT_AVAILABLE: 1,
    QUERY_RESULT: 2,
    SIGNALED: 3,
    getExtension: () => (timer ? { TIME_ELAPSED_EXT: 10, GPU_DISJOINT_EXT: 11 } : null),
    createQuery: begun,
    beginQuery: () => undefined,
    endQuery: () => undefined,
    deleteQuery: () => undefined,
    getQueryParameter: (query: object, name: number) => (name === 1 ? isOver(query) : timer!.ms * 1e6),
    getParameter: () => timer!.isDisjoint,
    fenceSync: begun,
    flush: () => undefined,
    getSyncParameter: (fence: object) => (isOver(fence) ? 3 : 0),
    deleteSync: () => undefined,
  };
  return { gl: gl as unknown as WebGL2RenderingContext, frames, end: (count: number) => (ended += count) };
}

describe('the clock of frames', () => {
  it("tells the card's own time once a frame is over, without waiting", () => {
    const { gl, end } = fakeContext({ ms: 7.5, isDisjoint: false });
    const clock = new FrameClock(gl);
    clock.time(() => undefined);
    expect(clock.ms).toBeNull();
    end(1);
    clock.time(() => undefined);
    expect(clock.ms).toBe(7.5);
  });

  it('forgets a time that the card lost', () => {
    const timer = { ms: 4, isDisjoint: false };
    const { gl, end } = fakeContext(timer);
    const clock = new FrameClock(gl);
    clock.time(() => undefined);
    end(1);
    clock.time(() => undefined);
    Object.assign(timer, { ms: 900, isDisjoint: true });
    end(1);
    clock.time(() => undefined);
    expect(clock.ms).toBe(4);
  });

  it('waits for a fence where the card has no timer', () => {
    const { gl, end } = fakeContext(null);
    const clock = new FrameClock(gl);
    clock.time(() => undefined);
    clock.time(() => undefined);
    expect(clock.ms).toBeNull();
    end(2);
    clock.time(() => undefined);
    expect(clock.ms).toBeGreaterThanOrEqual(0);
  });

  it('times a few frames at once and draws the others all the same', () => {
    const { gl, frames } = fakeContext(null);
    const clock = new FrameClock(gl);
    let drawn = 0;
    for (let i = 0; i < 10; i++) clock.time(() => drawn++);
    expect([drawn, frames.length]).toEqual([10, 3]);
  });

  it('ends its question when drawing fails', () => {
    const { gl } = fakeContext({ ms: 1, isDisjoint: false });
    let ends = 0;
    gl.endQuery = () => void ends++;
    const clock = new FrameClock(gl);
    const broken = () => {
      throw new Error('no such texture');
    };
    expect(() => clock.time(broken)).toThrow('no such texture');
    expect(ends).toBe(1);
  });
});
