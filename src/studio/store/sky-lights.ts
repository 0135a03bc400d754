/** Lights of the sky: suns and moons that go by the scene's own. */
import { create } from '@/core/scene/edits';
import { settingsOf } from '@/core/scene/document';
import { orderAfter } from '@/core/scene/order';
import { newLight, type Light } from '@/core/scene/records/light';
import type { SkyBody } from '@/core/time/sky-fields';
import { freshId, type Studio } from './studio';

/** What they begin with: a warm one and a faint blue one, as they look over a scene of daylight. */
const BEGINS: Record<SkyBody, Partial<Light> & { name: string }> = {
  sun: { name: 'Sun', colour: '#fff0d0', level: 0.9, sizeDeg: 0.5 },
  moon: { name: 'Moon', colour: '#9db4ff', level: 0.16, sizeDeg: 0.5 },
};

/** Puts a light of the sky into the scene, picked, with its place above the gate where it can be taken hold of. */
export function addSkyLight(studio: Studio, body: SkyBody): void {
  const { scene } = studio;
  const { gateX, gateY, gateWidthPx } = settingsOf(scene);
  const id = freshId();
  studio.scenes.transact({
    label: body === 'sun' ? 'Add a sun' : 'Add a moon',
    edits: [
      create(
        'lights',
        id,
        newLight({
          ...BEGINS[body],
          kind: 'sun',
          follows: body,
          planeId: studio.planeId(),
          order: orderAfter(Object.values(scene.lights).map(({ order }) => order)),
          x: Math.round(gateX + gateWidthPx / 2),
          y: Math.round(gateY + 24),
        }),
      ),
    ],
    selection: [{ collection: 'lights', id }],
  });
}
