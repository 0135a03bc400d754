/** The passes of one frame, each with its time and the picture after it. */
import { fixtureIdOf } from '@/core/moment/part-names';
import type { Moment } from '@/core/moment/moment';
import { inOrder, type SceneDocument } from '@/core/scene/document';
import type { DrawnPass, PassWatch } from '@/gpu/frame-watch';
import type { Renderer } from '@/gpu/renderer';
import type { DrawnFrame, FramePass } from '../store/open-view';
import type { Studio } from '../store/studio';

/** Draws the frame that is shown once more, waiting after each pass. */
export function framePasses(studio: Studio, renderer: Renderer, moment: Moment): DrawnFrame {
  const { view } = moment;
  const words = wordsFor(studio.shown(), moment);
  const passes: FramePass[] = [];
  // Once without looking, so that no shader is compiled and no picture brought while the clock runs.
  renderer.wait(renderer.render(moment, studio.pictures.source, { name: 'passes', isDrawnOnce: true }));
  const watch: PassWatch = (pass, ms, show) => {
    const { widthPx: width, heightPx: height } = view;
    passes.push({ words: words(pass), ms, picture: { width, height, data: renderer.read(show()) } });
  };
  const finished = renderer.render(moment, studio.pictures.source, {
    ...{ name: 'passes', isDrawnOnce: true },
    watch,
  });
  renderer.wait(finished);
  return { passes, memory: renderer.memory };
}

/** What passes are called: by the names of planes and lights. */
function wordsFor(scene: SceneDocument, { lightIds }: Moment): (pass: DrawnPass) => string {
  const planes = inOrder(scene.planes).map(([, { name }]) => name);
  const counted = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`;
  const lights = (count: number) => counted(count, 'light', 'lights');
  const lightName = (index: number) => {
    const id = fixtureIdOf(lightIds[index]);
    return (scene.lights[id] ?? scene.lamps[id])?.name ?? '';
  };
  return (pass) => {
    switch (pass.kind) {
      case 'backdrop':
        return 'Backdrop';
      case 'shadow':
        return `Shadow of ${lightName(pass.light)}: ${counted(pass.edges, 'edge', 'edges')}`;
      case 'layer':
        return `${planes[pass.plane]}: ${counted(pass.sprites, 'sprite', 'sprites')}, ${lights(pass.lights)}`;
      case 'air':
        return `${planes[pass.plane]}: ${lights(pass.lights)} in the air`;
      case 'finish':
        return 'Overlay and finish';
    }
  };
}
