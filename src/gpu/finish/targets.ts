/** Targets by name: one of another size than before is made anew. */
import type { Device, Target, TargetKind } from '../device';

export class NamedTargets {
  private readonly targets = new Map<string, Target>();

  constructor(private readonly device: Device) {}

  get(name: string, width: number, height: number, kind: TargetKind = 'float'): Target {
    const last = this.targets.get(name);
    if (last && last.width === width && last.height === height) return last;
    if (last) this.device.dropTarget(last);
    const target = this.device.target(width, height, kind);
    this.targets.set(name, target);
    return target;
  }
}

/** The uniforms of a box that fills a target. */
export function whole({ width, height }: Target) {
  return { u_targetPx: [width, height], u_targetOrigin: [0, 0], u_box: [0, 0, width, height] };
}
