/** From the light of a view to a finished picture: the passes after the planes, in their order. */
import { activePasses, isAtRest, type PassName } from '@/core/finish/all-passes';
import { isPointPass, passCode, type PassCode, type PointPassName } from '@/core/finish/all-passes.glsl';
import type { FinishFrame } from '@/core/finish/frame';
import type { Moment } from '@/core/moment/moment';
import type { Device, Target } from '../device';
import { WashTable, type DrawnWashes } from '../wash-table';
import { AutoExposure } from './auto-exposure';
import { BloomChain, type Glow } from './bloom';
import { drawFringe } from './fringe';
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

type Uniforms = Record<string, number | readonly number[]>;

/** Runs before all that looks at neighbours. */
const BEFORE_NEIGHBOURS: readonly PassName[] = ['exposure'];

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
    const looksAround = onLight.some((name) => !isPointPass(name));
    const pieces = (names: readonly PassName[]) =>
      names.filter(isPointPass).map((name: PointPassName) => passCode(name, finish, frame));
    const isFirst = (name: PassName) => BEFORE_NEIGHBOURS.includes(name);
    const first = looksAround ? pieces(onLight.filter(isFirst)) : [];
    const rest = pieces(looksAround ? onLight.filter((name) => !isFirst(name)) : onLight);
    const onPrint = pieces(stepsOf('print'));
    const developed = looksAround ? this.developed(moment, light, first, autoStops, 'developed') : null;
    const linear = developed && this.fringed(developed, moment, frame);
    const glow = linear && !isAtRest('bloom', finish) ? this.bloom.draw(linear, finish.bloom, frame) : null;
    const washes = developed ? null : this.washes.of(moment);
    const isLinear = moment.lightSpace === 'linear';
    const isEncoded = isLinear || rest.length > 0 || developed !== null;
    const program = device.program(
      printProgram({
        ...{ isLinear, washes, onLight: rest, onPrint },
        ...{ isDeveloped: developed !== null, hasGlow: glow !== null },
        ...{ isDithered: !pixelArt, hasOverlay: overlay !== null },
      }),
    );
    device.bind(into);
    device.blend('none');
    program.use(
      {
        ...whole(into),
        u_margin: [margin, margin],
        ...valuesOf([...rest, ...onPrint]),
        ...(washes?.uniforms ?? {}),
        ...(glow?.uniforms ?? {}),
      },
      {
        u_picture: (linear ?? light).textures[0],
        ...texturesOf(washes, glow),
        ...this.tables.of(finish.table),
        ...(autoStops && !developed ? { u_autoStops: autoStops } : {}),
        ...(isEncoded ? { u_transfer: this.transferTexture() } : {}),
        ...(overlay ? { u_overlay: overlay.textures[0] } : {}),
        ...(pixelArt ? {} : { u_bayer: this.bayer }),
      },
    );
    device.drawBox();
    return into;
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

  private fringed(developed: Target, { finish }: Moment, frame: FinishFrame): Target {
    if (isAtRest('fringe', finish)) return developed;
    const fringed = this.targets.get('fringed', developed.width, developed.height);
    drawFringe(this.device, developed, fringed, finish.fringe, frame);
    return fringed;
  }

  private transferTexture(): WebGLTexture {
    const { gl } = this.device;
    return (this.transfer ??= this.device.texture(
      ...([TRANSFER_STEPS, 1, gl.RG32F, gl.RG, gl.FLOAT, transferTable(), 8] as const),
    ));
  }
}

function valuesOf(passes: readonly PassCode[]): Uniforms {
  return Object.assign({}, ...passes.map(({ values }) => values)) as Uniforms;
}

function texturesOf(washes: DrawnWashes | null, glow: Glow | null): Record<string, WebGLTexture> {
  return { ...(washes?.textures ?? {}), ...(glow ? { u_glow: glow.texture } : {}) };
}
