/** The pointer on the Art bench: what it presses, drags and draws there, by the tool that is in the hand. */
import { bracketAt } from '@/core/art/brackets';
import { rectOf } from '@/core/art/frames';
import type { Rect } from '@/core/raster/rect';
import type { Artwork } from '@/core/scene/records/artwork';
import type { Surface } from '../surface/surface';
import { panned, toScene, type Pan, type Place } from '../surface/view';
import type { ArtBenchState } from '../store/art-bench';
import { addBracket, addFrame, changeFrame, placeBracket, setArtwork } from '../store/art-edits';
import type { Studio } from '../store/studio';
import type { ArtMarks } from './art-marks';
import {
  doublePress,
  dragPoint,
  drawOutlines,
  keepPoint,
  picturePlace,
  pressOutline,
  type PointDrag,
} from './outline-pointer';

const NEAR_PX = 8;

export interface ArtHost {
  studio: Studio;
  artworkId: string | null;
  artwork: Artwork | null;
  bench: ArtBenchState;
  readonly surface: Surface;
  frameNumber: number;
  place: Place;
  figureAt(): [number, number];
  touch(): void;
  zoomAbout(direction: number, x: number, y: number): void;
}

type Drag =
  | ({ kind: 'pan' } & Pan)
  | { kind: 'frame'; fixedX: number; fixedY: number; rect: Rect; number: number | null }
  | { kind: 'foot'; points: number[] }
  | { kind: 'bracket'; id: string; x: number; y: number; turnDeg: number }
  | PointDrag;

export class ArtPointer {
  private drag: Drag | null = null;
  private wasDrawing = false;

  constructor(private readonly host: ArtHost) {
    const { surface } = host;
    surface.on('pointerdown', (event) => this.down(event));
    surface.on('pointermove', (event) => this.move(event));
    surface.on('pointerup', (event) => this.up(event));
    surface.on('pointercancel', () => this.cancel());
    surface.on('dblclick', (event) => this.double(event));
    surface.on(
      'wheel',
      (event) => {
        event.preventDefault();
        this.host.zoomAbout(-Math.sign(event.deltaY || event.deltaX), ...surface.placeOf(event));
      },
      { passive: false },
    );
  }

  /** Throws away what is being drawn; where nothing is, goes back to looking. */
  cancel(): void {
    const { artBench } = this.host.studio;
    if (this.host.bench.drawn) artBench.setState({ drawn: null });
    else if (this.drag === null) artBench.setState({ tool: 'select', tried: null, found: null });
    this.drag = null;
    this.host.touch();
  }

  draw(marks: ArtMarks): void {
    const { drag, host } = this;
    const [dx, dy] = host.figureAt();
    if (host.bench.tool === 'outline' && host.artwork)
      drawOutlines(
        marks,
        host.artwork,
        host.bench,
        host.frameNumber,
        [dx, dy],
        drag?.kind === 'point' ? drag : null,
      );
    if (drag?.kind === 'frame') marks.box(drag.rect, marks.colours.picked);
    else if (drag?.kind === 'foot') marks.foot(drag.points.map((v, i) => v + (i % 2 === 0 ? dx : dy)));
    else if (drag?.kind === 'bracket') marks.bracket('', drag.x + dx, drag.y + dy, marks.colours.line);
  }

  private scenePlace(event: MouseEvent): [number, number] {
    return toScene(this.host.place, ...this.host.surface.placeOf(event));
  }

  /** A place of the figure, to half a pixel: pixel centres and borders. */
  private figurePlace(event: MouseEvent): [number, number] {
    const [x, y] = this.scenePlace(event);
    const [dx, dy] = this.host.figureAt();
    return [Math.round(2 * (x - dx)) / 2, Math.round(2 * (y - dy)) / 2];
  }

  private exactFigurePlace(event: MouseEvent): [number, number] {
    const [x, y] = this.scenePlace(event);
    const [dx, dy] = this.host.figureAt();
    return [x - dx, y - dy];
  }

  private outlineHost(artwork: Artwork, artworkId: string) {
    const { studio, bench, frameNumber } = this.host;
    return { studio, artworkId, artwork, bench, frameNumber };
  }

  /** Whether the last press finished what the pen drew. */
  private get ended(): boolean {
    return this.wasDrawing && !this.host.bench.drawn;
  }

  private double(event: MouseEvent): void {
    const { artwork, artworkId, bench } = this.host;
    // The pen takes both presses of a double click as points, or as its end.
    if (!artwork || !artworkId || bench.tool !== 'outline' || bench.drawn || this.ended) return;
    doublePress(this.outlineHost(artwork, artworkId), this.figurePlace(event), this.nearPx);
    this.host.touch();
  }

  private get nearPx(): number {
    return (NEAR_PX * this.host.surface.ratio) / this.host.place.zoom;
  }

  private down(event: PointerEvent): void {
    const { host } = this;
    host.surface.take(event);
    if (!host.artwork || !host.artworkId || event.button === 2) return;
    this.wasDrawing = host.bench.drawn !== null;
    this.drag =
      event.button === 1 || host.surface.isSpaceHeld
        ? this.panFrom(event)
        : this.dragFor(event, host.artwork, host.artworkId);
    host.touch();
  }

  private panFrom(event: PointerEvent): Drag {
    const [x, y] = this.host.surface.placeOf(event);
    return { kind: 'pan', x, y, from: this.host.place };
  }

  private dragFor(event: PointerEvent, artwork: Artwork, artworkId: string): Drag | null {
    const { bench, studio, frameNumber } = this.host;
    switch (bench.tool) {
      case 'select':
        return this.panFrom(event);
      case 'frame':
        return bench.view === 'picture' ? this.frameFrom(event, artwork) : this.panFrom(event);
      case 'pivot': {
        const [pivotX, pivotY] = this.figurePlace(event);
        setArtwork(studio, 'Move the pivot', artworkId, { pivotX, pivotY });
        return null;
      }
      case 'foot':
        return { kind: 'foot', points: [...this.figurePlace(event)] };
      case 'bracket': {
        const [x, y] = this.figurePlace(event);
        const near = artwork.brackets.find((bracket) => {
          const at = bracketAt(bracket, frameNumber);
          return Math.abs(at.x - x) <= this.nearPx && Math.abs(at.y - y) <= this.nearPx;
        });
        const id = near?.id ?? addBracket(studio, artworkId, x, y);
        studio.artBench.setState({ bracketId: id });
        if (!near) return null;
        return { kind: 'bracket', id: near.id, ...bracketAt(near, frameNumber) };
      }
      case 'outline': {
        const at = this.figurePlace(event);
        const [x, y] = this.exactFigurePlace(event);
        const picture = picturePlace(artwork, frameNumber, x, y);
        return pressOutline(this.outlineHost(artwork, artworkId), event, at, picture, this.nearPx);
      }
    }
  }

  /** A corner of the chosen frame, or a new box. */
  private frameFrom(event: PointerEvent, artwork: Artwork): Drag {
    const [x, y] = this.scenePlace(event);
    const chosen = artwork.frames[this.host.bench.frame];
    if (chosen) {
      const rect = rectOf(chosen);
      for (const [cx, fixedX] of [
        [rect.left, rect.right],
        [rect.right, rect.left],
      ])
        for (const [cy, fixedY] of [
          [rect.top, rect.bottom],
          [rect.bottom, rect.top],
        ])
          if (Math.abs(cx - x) <= this.nearPx && Math.abs(cy - y) <= this.nearPx)
            return { kind: 'frame', fixedX, fixedY, rect, number: this.host.bench.frame };
    }
    const [fixedX, fixedY] = [Math.floor(x), Math.floor(y)];
    return { kind: 'frame', fixedX, fixedY, rect: boxBetween(fixedX, fixedY, x, y, artwork), number: null };
  }

  private move(event: PointerEvent): void {
    const { drag, host } = this;
    if (!drag || !host.artwork) return;
    if (drag.kind === 'pan') {
      host.place = panned(drag, ...host.surface.placeOf(event));
    } else if (drag.kind === 'frame') {
      drag.rect = boxBetween(drag.fixedX, drag.fixedY, ...this.scenePlace(event), host.artwork);
    } else if (drag.kind === 'foot') drag.points.splice(2, 2, ...this.figurePlace(event));
    else if (drag.kind === 'point') dragPoint(drag, ...this.figurePlace(event));
    else [drag.x, drag.y] = this.figurePlace(event);
    host.touch();
  }

  private up(event: PointerEvent): void {
    const { drag, host } = this;
    this.drag = null;
    host.touch();
    const { artworkId, artwork, studio } = host;
    if (!drag || !artworkId || !artwork) return;
    switch (drag.kind) {
      case 'pan':
        return this.choose(event, drag, artwork);
      case 'frame':
        return this.keepFrame(drag, artworkId);
      case 'foot': {
        const [ax, ay, bx, by] = drag.points;
        const isLine = bx !== undefined && (Math.abs(bx - ax) >= 1 || Math.abs(by - ay) >= 1);
        return setArtwork(studio, 'Set the foot', artworkId, { foot: isLine ? drag.points : [ax, ay] });
      }
      case 'point':
        return keepPoint(this.outlineHost(artwork, artworkId), drag);
      case 'bracket': {
        const { id, x, y, turnDeg } = drag;
        // In general, unless there are frames in which it may be elsewhere; Shift moves it in all of them.
        const frame = artwork.frames.length > 1 && !event.shiftKey ? host.frameNumber : null;
        return placeBracket(studio, artworkId, id, frame, { x, y, turnDeg });
      }
    }
  }

  /** A press without a drag chooses the frame under it. */
  private choose(event: PointerEvent, drag: { x: number; y: number }, { frames }: Artwork): void {
    const [cx, cy] = this.host.surface.placeOf(event);
    const isStill = Math.abs(cx - drag.x) < 3 && Math.abs(cy - drag.y) < 3;
    if (!isStill || this.host.bench.view !== 'picture') return;
    const [x, y] = this.scenePlace(event);
    const number = frames.findIndex(
      ({ left, top, widthPx, heightPx }) => x >= left && y >= top && x < left + widthPx && y < top + heightPx,
    );
    if (number >= 0) this.host.studio.artBench.setState({ frame: number });
  }

  private keepFrame({ rect, number }: { rect: Rect; number: number | null }, artworkId: string): void {
    const { studio } = this.host;
    const { left, top, right, bottom } = rect;
    if (right - left < 1 || bottom - top < 1) return;
    if (number !== null) {
      const fields = { left, top, widthPx: right - left, heightPx: bottom - top };
      return changeFrame(studio, 'Change a frame', artworkId, number, fields);
    }
    // A click is no frame.
    if (right - left < 2 && bottom - top < 2) return;
    const added = addFrame(studio, artworkId, rect);
    if (added !== null) studio.artBench.setState({ frame: added, tried: null });
  }
}

/** Whole pixels of the picture between a fixed corner and the pointer. */
function boxBetween(fixedX: number, fixedY: number, x: number, y: number, art: Artwork): Rect {
  const held = (v: number, most: number) => Math.min(most, Math.max(0, v));
  const [left, right] = x < fixedX ? [Math.floor(x), fixedX] : [fixedX, Math.ceil(x)];
  const [top, bottom] = y < fixedY ? [Math.floor(y), fixedY] : [fixedY, Math.ceil(y)];
  return {
    left: held(left, art.widthPx),
    top: held(top, art.heightPx),
    right: held(right, art.widthPx),
    bottom: held(bottom, art.heightPx),
  };
}
