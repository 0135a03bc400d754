/** Hang: click a bracket, or a sprite without any, and what is picked hangs on it and goes with it. */
import { applyTo, inverse } from '@/core/geometry/affine';
import { bracketAt } from '@/core/art/brackets';
import { artOf, frameNumber, spriteAffine } from '@/core/moment/standing';
import type { SceneDocument } from '@/core/scene/document';
import type { Hanging } from '@/core/scene/records/sprite';
import { hitAt } from './hits';
import type { Overlay } from '../surface/overlay';
import { hangEdits, hangersOf, type Hanger } from '../store/hang-edits';
import { fixOccluders } from '../store/occluder-owners';
import type { Studio } from '../store/studio';
import type { Tool, ToolEvent } from './tool';

interface BracketMark {
  spriteId: string;
  bracketId: string;
  name: string;
  x: number;
  y: number;
}

/** The brackets of all sprites that are not picked themselves, where they are drawn. */
function bracketMarks(scene: SceneDocument, without: ReadonlySet<string>, seconds: number): BracketMark[] {
  return Object.entries(scene.sprites).flatMap(([spriteId, sprite]) => {
    const artwork = artOf(scene, sprite);
    if (!artwork || artwork.brackets.length === 0 || sprite.hidden || without.has(spriteId)) return [];
    const map = spriteAffine(scene, sprite, seconds);
    if (!map) return [];
    const frame = frameNumber(sprite, artwork, seconds);
    return artwork.brackets.map((bracket) => {
      const at = bracketAt(bracket, frame);
      const [x, y] = applyTo(map, at.x, at.y);
      return { spriteId, bracketId: bracket.id, name: bracket.name, x, y };
    });
  });
}

export class HangTool implements Tool {
  constructor(private readonly studio: Studio) {}

  down(event: ToolEvent): void {
    const { studio } = this;
    const things = hangersOf(studio);
    const occluders = studio.pickedOf('occluders');
    if (things.length + occluders.length === 0) {
      studio.desk.setState({ tool: 'pick' });
      return studio.say('Pick what is to hang first: a light, a lamp, a sprite or an occluder.');
    }
    const { seconds } = studio.live.getState();
    const mark = this.marks()
      .filter(({ x, y }) => Math.max(Math.abs(x - event.x), Math.abs(y - event.y)) <= event.nearPx)
      .at(-1);
    const sprite = mark
      ? null
      : hitAt(studio.scene, event.x, event.y, {
          ...{ rows: studio.rows, nearPx: 0, source: studio.pictures.source, seconds },
        });
    const spriteId = mark?.spriteId ?? (sprite?.collection === 'sprites' ? sprite.id : null);
    if (occluders.length > 0 && spriteId !== null) fixOccluders(studio, spriteId);
    if (things.length === 0) studio.desk.setState({ tool: 'pick' });
    else if (mark) this.hang(things, { spriteId: mark.spriteId, bracketId: mark.bracketId }, [0, 0]);
    else if (spriteId !== null) this.hangFreely(things, spriteId, event);
    else studio.say('Click a bracket, or a sprite.');
  }

  move(): void {}
  up(): void {}

  cancel(): boolean {
    if (this.studio.desk.getState().tool !== 'hang') return false;
    this.studio.desk.setState({ tool: 'pick' });
    return true;
  }

  draw(overlay: Overlay): void {
    for (const { x, y, name } of this.marks()) {
      overlay.ring(x, y);
      overlay.words(x, y, name);
    }
  }

  hint(): string {
    if (this.studio.pickedOf('occluders').length > 0)
      return 'Click the sprite that the occluder is to move with';
    return hangersOf(this.studio).length === 0
      ? 'Pick what is to hang first'
      : 'Click a bracket to hang it there, or a sprite to fix it where you click';
  }

  private marks(): BracketMark[] {
    const { studio } = this;
    const without = new Set(studio.scenes.state.selection.map(({ id }) => id));
    return bracketMarks(studio.scene, without, studio.live.getState().seconds);
  }

  private hang(things: readonly Hanger[], hangsOn: Hanging, at: readonly [number, number]): void {
    const { studio } = this;
    const edits = hangEdits(studio.scene, things, hangsOn, at);
    if (edits.length < things.length) studio.say('Nothing can hang on itself, or on what hangs on it.');
    studio.scenes.transact({ label: 'Hang on a bracket', edits });
    studio.desk.setState({ tool: 'pick' });
  }

  /** On a sprite without a bracket things are fixed where the click was. */
  private hangFreely(things: readonly Hanger[], spriteId: string, { x, y }: ToolEvent): void {
    const { scene } = this.studio;
    const map = spriteAffine(scene, scene.sprites[spriteId], this.studio.live.getState().seconds);
    const back = map && inverse(map);
    if (back) this.hang(things, { spriteId, bracketId: null }, applyTo(back, x, y));
  }
}
