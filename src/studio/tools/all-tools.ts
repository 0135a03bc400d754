/** Every tool of the stage by its name. */
import type { ToolName } from '../store/desk-store';
import type { Studio } from '../store/studio';
import { HangTool } from './hang';
import { PenTool } from './pen';
import { PickTool } from './pick';
import { PlaceSpriteTool } from './place-sprite';
import { LightTool } from './light';
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
    board: new ShapeTool(studio, 'board'),
    hang: new HangTool(studio),
    outline: new PenTool(studio, 'closed'),
    line: new PenTool(studio, 'line'),
    rectangle: new ShapeTool(studio, 'rectangle'),
    ellipse: new ShapeTool(studio, 'ellipse'),
    lay: new TileTool(studio, 'lay'),
    box: new TileTool(studio, 'box'),
    flood: new TileTool(studio, 'flood'),
    lift: new TileTool(studio, 'lift'),
    match: new TileTool(studio, 'match'),
  };
}
