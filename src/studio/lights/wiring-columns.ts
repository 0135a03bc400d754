/** What the wiring sets: a table of columns, each with its state in a row and the edits that switch it. */
import { inOrder, type SceneDocument } from '@/core/scene/document';
import { changes, type Edit } from '@/core/scene/edits';
import { ANSWERS, type Answer } from '@/core/scene/records/answer';
import type { RecordOf } from '@/core/scene/records/all-records';
import { circuitEdits, circuitIdsOf, shadowEdits, shadowsOf } from './wiring-edits';
import { ANSWER_WORDS } from './answers';
import type { Wired, WiredName } from '../store/wiring-rows';

/** `plane`: it is so because its plane says so. `some`: some lights of a lamp. */
export type CellState = 'on' | 'plane' | 'some' | 'off';

export interface WiringColumn {
  key: string;
  group: 'circuits' | 'answers' | 'shadows';
  title: string;
  /** Whether rows of a collection have it. */
  isFor(collection: Wired): boolean;
  stateOf(scene: SceneDocument, name: WiredName): CellState;
  /** What a press on a cell of that state makes of it. */
  wants(state: CellState): boolean;
  edits(scene: SceneDocument, name: WiredName, isOn: boolean): Edit[];
}

export function wiringColumns(circuits: SceneDocument['circuits']): WiringColumn[] {
  return [
    ...inOrder(circuits).map(([id, { name }]) => circuitColumn(id, name)),
    ...ANSWERS.map(answerColumn),
    SHADOWS,
  ];
}

function circuitColumn(circuitId: string, title: string): WiringColumn {
  return {
    ...{ key: circuitId, group: 'circuits', title },
    isFor: () => true,
    stateOf(scene, name) {
      if (!circuitIdsOf(scene, name).includes(circuitId)) return 'off';
      return scene[name.collection][name.id].circuitIds === null ? 'plane' : 'on';
    },
    wants: (state) => state === 'off',
    edits: (scene, name, isOn) => circuitEdits(scene, name, circuitId, isOn),
  };
}

function answerColumn(answer: Answer): WiringColumn {
  return {
    ...{ key: answer, group: 'answers', title: ANSWER_WORDS[answer] },
    isFor: (collection) => collection === 'sprites' || collection === 'planes',
    stateOf(scene, { collection, id }) {
      const record = scene[collection][id] as RecordOf<'sprites'>;
      const own = record.answer;
      if (own !== null) return own === answer ? 'on' : 'off';
      return scene.planes[record.planeId].answer === answer ? 'plane' : 'off';
    },
    wants: (state) => state !== 'on',
    edits(scene, { collection, id }, isOn) {
      if (collection === 'planes') return isOn ? changes(scene, 'planes', id, { answer }) : [];
      if (isOn) return changes(scene, 'sprites', id, { answer });
      // One that is taken back leaves the plane's.
      return scene.sprites[id].answer === answer ? changes(scene, 'sprites', id, { answer: null }) : [];
    },
  };
}

/** Lights throw them, sprites take them. */
const SHADOWS: WiringColumn = {
  ...{ key: 'shadows', group: 'shadows', title: 'Shadows' },
  isFor: (collection) => collection !== 'planes',
  stateOf(scene, { collection, id }) {
    if (collection === 'sprites') return scene.sprites[id].takesShadows ? 'on' : 'off';
    const own = collection === 'planes' ? null : shadowsOf(scene, { collection, id });
    return own === 'all' ? 'on' : own === 'some' ? 'some' : 'off';
  },
  wants: (state) => state !== 'on',
  edits(scene, { collection, id }, isOn) {
    if (collection === 'sprites') return changes(scene, 'sprites', id, { takesShadows: isOn });
    return collection === 'planes' ? [] : shadowEdits(scene, { collection, id }, isOn);
  },
};

/** The same for many rows, as the edits of one step. */
export function columnEdits(
  scene: SceneDocument,
  column: WiringColumn,
  names: readonly WiredName[],
  isOn: boolean,
): Edit[] {
  return names
    .filter(({ collection }) => column.isFor(collection))
    .flatMap((name) => column.edits(scene, name, isOn));
}
