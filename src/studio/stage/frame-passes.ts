/** The passes of one frame, each with its time and the picture after it. */
import { momentAt } from '@/core/moment/moment-at';
import type { View } from '@/core/moment/moment';
import type { Image } from '@/core/raster/image';
import { inOrder } from '@/core/scene/document';
import type { DrawnPass, Renderer } from '@/gpu/renderer';
import type { Studio } from '../store/studio';

export interface FramePass {
  words: string;
  ms: number;
  picture: Image;
}

/** Draws the frame that is shown once more, waiting after each pass. */
export function framePasses(studio: Studio, renderer: Renderer, view: View): FramePass[] {
  const scene = studio.shown();
  const { clockHours, seconds } = studio.live.getState();
  const moment = momentAt(scene, clockHours, seconds, studio.passing('all'), view);
  const names = inOrder(scene.planes).map(([, { name }]) => name);
  const passes: FramePass[] = [];
  // Once without looking, so that no shader is compiled and no picture brought while the clock runs.
  renderer.wait(renderer.render(moment, studio.pictures.source, 'passes'));
  const finished = renderer.render(moment, studio.pictures.source, 'passes', (pass, ms, show) => {
    const { widthPx: width, heightPx: height } = view;
    passes.push({ words: wordsOf(pass, names), ms, picture: { width, height, data: renderer.read(show()) } });
  });
  renderer.wait(finished);
  return passes;
}

function wordsOf(pass: DrawnPass, names: readonly string[]): string {
  const lights = (count: number) => (count === 1 ? '1 light' : `${count} lights`);
  switch (pass.kind) {
    case 'backdrop':
      return 'Backdrop';
    case 'layer': {
      const sprites = pass.sprites === 1 ? '1 sprite' : `${pass.sprites} sprites`;
      return `${names[pass.plane]}: ${sprites}, ${lights(pass.lights)}`;
    }
    case 'air':
      return `${names[pass.plane]}: ${lights(pass.lights)} in the air`;
    case 'finish':
      return 'Overlay and finish';
  }
}
