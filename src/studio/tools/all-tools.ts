/** Every tool of the stage by its name. */
import type { ToolName } from '../store/desk-store';
import { drawPath } from '../store/motion-edits';
import type { Studio } from '../store/studio';
import { HangTool } from './hang';
import { PenTool } from './pen';
import { PickTool } from './pick';
import { PlaceSpriteTool } from './place-sprite';
import { LightTool } from './light';
import { MeterTool } from './meter';
import { ScatterTool } from './scatter';
import { ShapeTool } from './shapes';
import { TileTool } from './tile-tool';
import type { Tool } from './tool';

export function allTools(studio: Studio): Record<ToolName, Tool> {
  return {
    pick: new PickTool(studio),
    light: new LightTool(studio),
    place: new PlaceSpriteTool(studio),
    scatter: new ScatterTool(studio),
    flat: new ShapeTool(studio, 'flat'),
    hang: new HangTool(studio),
    outline: new PenTool(studio, 'closed'),
    line: new PenTool(studio, 'line'),
    path: new PenTool(studio, 'line', {
      done: drawPath,
      begins: 'Click the points of the path, from where it begins; Shift makes one smooth',
    }),
    rectangle: new ShapeTool(studio, 'rectangle'),
    ellipse: new ShapeTool(studio, 'ellipse'),
    meter: new MeterTool(studio),
    paint: new TileTool(studio, 'paint'),
    'fill-rectangle': new TileTool(studio, 'fill-rectangle'),
    fill: new TileTool(studio, 'fill'),
    erase: new TileTool(studio, 'erase'),
    'pick-tile': new TileTool(studio, 'pick-tile'),
  };
}
