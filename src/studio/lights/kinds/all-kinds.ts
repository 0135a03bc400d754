/** The kinds of lights as the screen knows them. */
import type { LightKind } from '@/core/moment/light-kinds/all-kinds';
import { ambient } from './ambient';
import { area } from './area';
import { gobo } from './gobo';
import type { LightScreen } from './kind';
import { point } from './point';
import { spot } from './spot';
import { sun } from './sun';

export const LIGHT_SCREENS: Record<LightKind, LightScreen> = { ambient, sun, point, spot, area, gobo };
