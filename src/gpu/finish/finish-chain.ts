/** From the light of a view to a finished picture: the passes after the planes, in their order. */
import { activePasses, isAtRest, type PassName } from '@/core/finish/all-passes';
import { isPointPass, passCode, type PassCode, type PointPassName } from '@/core/finish/all-passes.glsl';
import type { FinishFrame } from '@/core/finish/frame';
import type { Moment } from '@/core/moment/moment';
import type { Device, Target } from '../device';
import { WashTable, type DrawnWashes } from '../wash-table';
import { AutoExposure } from './auto-exposure';
import { BloomChain, type Glow } from './bloom';
import { fringeValues, lookedProgram, type LookedAt, type Looking, type Uniforms } from './looking';
import { developProgram, printProgram, TRANSFER_STEPS, transferTable } from './print';
import { TableTextures } from './tables';
import { NamedTargets, whole } from './targets';

/** What is finished. */
export interface Negative {
  /** Of the view with its margin. */
  moment: Moment;
  light: Target;
  /** Overlay planes in display values; null where there are none. */
  overlay: Target | null;
  /** Output px on every side that are drawn, and not shown. */
  margin: number;
  /** Automatic doublings; null where there are none. */
  autoStops: WebGLTexture | null;
}

export class FinishChain {
  private readonly washes: WashTable;
  private readonly tables: TableTextures;
  private readonly targets: NamedTargets;
  private readonly bloom: BloomChain;
  private readonly auto: AutoExposure;
  /** sRGB over 0 to 1; made when it is first needed. */
  private transfer: WebGLTexture | null = null;

  constructor(
    private readonly device: Device,
    private readonly bayer: WebGLTexture,
  ) {
    this.washes = new WashTable(device);
    this.tables = new TableTextures(device);
    this.targets = new NamedTargets(device);
    this.bloom = new BloomChain(device);
    this.auto = new AutoExposure(device);
  }

  /** Meters the light of the gate as it is seen from afar. @returns automatic doublings, in a texture of one pixel */
  meter(moment: Moment, light: Target): WebGLTexture {
    const gate = this.developed(moment, light, [], null, 'metered');
    return this.auto.draw(gate, moment.finish.exposure);
  }

  /** @returns `into`, finished */
  print({ moment, light, overlay, margin, autoStops }: Negative, into: Target): Target {
    const { device } = this;
    const { finish, view, gate, pixelArt } = moment;
    const frame: FinishFrame = { view, gate, pixelArt, gateLog2: null };
    const stepsOf = (on: 'light' | 'print') => (moment.unlit ? [] : activePasses(finish, on));
    const onLight = stepsOf('light');
    const around = onLight.findIndex((name) => !isPointPass(name));
    const looksAround = around >= 0;
    const pieces = (names: readonly PassName[]) =>
      names.filter(isPointPass).map((name: PointPassName) => passCode(name, finish, frame));
    const first = pieces(onLight.slice(0, Math.max(0, around)));
    const rest = pieces(onLight.slice(Math.max(0, around)));
    const printing = stepsOf('print');
    const onPrint = pieces(printing);
    const isLinear = moment.lightSpace === 'linear';
    const looked = looksAround ? this.looked(moment, light, first, autoStops, frame) : null;
    const glow = looked && !isAtRest('bloom', finish) ? this.bloom.draw(looked, finish.bloom, frame) : null;
    const washes = looked ? null : this.washes.of(moment);
    const isEncoded = isLinear || rest.length > 0 || looked !== null;
    const program = device.program(
      printProgram({
        ...{ isLinear, washes, onLight: rest, onPrint },
        ...{ looking: looked?.looking ?? null, hasGlow: glow !== null },
        ...{ isDithered: !pixelArt, hasOverlay: overlay !== null },
      }),
    );
    device.bind(into);
    device.blend('none');
    program.use(
      {
        ...whole(into),
        u_margin: [margin, margin],
        ...looked?.values,
        ...valuesOf([...rest, ...onPrint]),
        ...(washes?.uniforms ?? {}),
        ...(glow?.uniforms ?? {}),
      },
      {
        ...(looked?.textures ?? picturesOf(light, autoStops)),
        ...texturesOf(washes, glow),
        ...(printing.includes('table') ? this.tables.of(finish.table) : {}),
        ...(isEncoded ? { u_transfer: this.transferTexture() } : {}),
        ...(overlay ? { u_overlay: overlay.textures[0] } : {}),
        ...(pixelArt ? {} : { u_bayer: this.bayer }),
      },
    );
    device.drawBox();
    return into;
  }

  /** How the picture is read at any place. What costs more than reading is drawn, where it is read more than once. */
  private looked(
    moment: Moment,
    light: Target,
    first: readonly PassCode[],
    autoStops: WebGLTexture | null,
    frame: FinishFrame,
  ): LookedAt {
    const { finish, pixelArt, lightSpace, washes } = moment;
    const isAsItIs = lightSpace === 'linear' && washes.length === 0;
    const bare: LookedAt = isAsItIs
      ? { looking: { first, fringe: null }, values: valuesOf(first), textures: picturesOf(light, autoStops) }
      : asItIs(this.developed(moment, light, first, autoStops, 'developed'));
    if (isAtRest('fringe', finish)) return bare;
    const looking: Looking = { ...bare.looking, fringe: pixelArt ? 'pixels' : 'between' };
    const fringed = { ...bare, looking, values: { ...bare.values, ...fringeValues(finish.fringe, frame) } };
    return isAtRest('bloom', finish) ? fringed : asItIs(this.fringed(fringed, light));
  }

  private fringed({ looking, values, textures }: LookedAt, { width, height }: Target): Target {
    const { device } = this;
    const fringed = this.targets.get('fringed', width, height);
    device.bind(fringed);
    device.blend('none');
    device.program(lookedProgram(looking)).use({ ...whole(fringed), ...values }, textures);
    device.drawBox();
    return fringed;
  }

  /** Linear light, under its washes and exposed, in floats. */
  private developed(
    moment: Moment,
    light: Target,
    onLight: readonly PassCode[],
    autoStops: WebGLTexture | null,
    name: string,
  ): Target {
    const { device } = this;
    const washes = this.washes.of(moment);
    const developed = this.targets.get(name, light.width, light.height);
    device.bind(developed);
    device.blend('none');
    device.program(developProgram({ isLinear: moment.lightSpace === 'linear', washes, onLight })).use(
      { ...whole(developed), ...valuesOf(onLight), ...(washes?.uniforms ?? {}) },
      {
        u_picture: light.textures[0],
        ...(washes?.textures ?? {}),
        ...(autoStops ? { u_autoStops: autoStops } : {}),
      },
    );
    device.drawBox();
    return developed;
  }

  private transferTexture(): WebGLTexture {
    const { gl } = this.device;
    return (this.transfer ??= this.device.texture(
      ...([TRANSFER_STEPS, 1, gl.RG32F, gl.RG, gl.FLOAT, transferTable(), 8] as const),
    ));
  }
}

/** A picture that has been drawn is read without more. */
function asItIs(picture: Target): LookedAt {
  return {
    looking: { first: [], fringe: null },
    values: {},
    textures: picturesOf(picture, null),
  };
}

function picturesOf({ textures: [u_picture] }: Target, u_autoStops: WebGLTexture | null) {
  return { u_picture, ...(u_autoStops ? { u_autoStops } : {}) };
}

function valuesOf(passes: readonly PassCode[]): Uniforms {
  return Object.assign({}, ...passes.map(({ values }) => values)) as Uniforms;
}

function texturesOf(washes: DrawnWashes | null, glow: Glow | null): Record<string, WebGLTexture> {
  return { ...(washes?.textures ?? {}), ...(glow ? { u_glow: glow.texture } : {}) };
}
