/** The luminaires that come with Oilwick, by the ids that they have in every project. */
import type { ReadyLuminaire } from './luminaire';
import { carbideLamp } from './luminaires/carbide-lamp';
import { carriageLamp } from './luminaires/carriage-lamp';
import { emberBed } from './luminaires/ember-bed';
import { failingTube } from './luminaires/failing-tube';
import { gasMantle } from './luminaires/gas-mantle';
import { glowWorm } from './luminaires/glow-worm';
import { greenhouseHeater } from './luminaires/greenhouse-heater';
import { moonThroughGlass } from './luminaires/moon-through-glass';
import { oilLamp } from './luminaires/oil-lamp';
import { paraffinStove } from './luminaires/paraffin-stove';
import { roofLight } from './luminaires/roof-light';
import { signalLens } from './luminaires/signal-lens';

export const READY_LUMINAIRES = {
  'oil-lamp': oilLamp,
  'gas-mantle': gasMantle,
  'ember-bed': emberBed,
  'signal-lens': signalLens,
  'roof-light': roofLight,
  'glow-worm': glowWorm,
  'carbide-lamp': carbideLamp,
  'paraffin-stove': paraffinStove,
  'carriage-lamp': carriageLamp,
  'greenhouse-heater': greenhouseHeater,
  'moon-through-glass': moonThroughGlass,
  'failing-tube': failingTube,
} as const satisfies Record<string, ReadyLuminaire>;

export type ReadyLuminaireId = keyof typeof READY_LUMINAIRES;
export const READY_LUMINAIRE_IDS = Object.keys(READY_LUMINAIRES) as ReadyLuminaireId[];

export function readyLuminaire(id: ReadyLuminaireId): ReadyLuminaire {
  return READY_LUMINAIRES[id];
}
