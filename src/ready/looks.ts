/** Looks that come with Oilwick: named after printing and photographic processes, each with what makes it so. */
import type { LookFields } from '@/core/scene/records/look';

export interface ReadyLook {
  id: string;
  name: string;
  fields: Partial<LookFields>;
}

/** Monochrome, through the tint of a print: saturation is taken last, so that the tint is stronger than it is seen. */
const toned = (red: number, green: number, blue: number, saturation: number): Partial<LookFields> => ({
  slopeRed: red,
  slopeGreen: green,
  slopeBlue: blue,
  saturation,
});

export const READY_LOOKS: readonly ReadyLook[] = [
  {
    ...{ id: 'look-contact-print', name: 'Contact print' },
    fields: { tone: 'film', whiteLevel: 6, saturation: 1.04, vignetteLevel: 0.12, vignetteInner: 0.55 },
  },
  {
    ...{ id: 'look-slide-film', name: 'Slide film' },
    fields: {
      ...{ tone: 'film', whiteLevel: 3.5, saturation: 1.18, slopeRed: 1.03, offsetBlue: -0.01 },
      ...{ powerRed: 1.06, powerGreen: 1.06, powerBlue: 1.04 },
    },
  },
  {
    ...{ id: 'look-pushed', name: 'Pushed film' },
    fields: {
      ...{ exposureStops: 0.35, tone: 'film', whiteLevel: 3, saturation: 0.86 },
      ...{ powerRed: 1.12, powerGreen: 1.14, powerBlue: 1.12, offsetBlue: 0.012 },
    },
  },
  {
    ...{ id: 'look-silver-gelatin', name: 'Silver gelatin' },
    fields: { tone: 'film', whiteLevel: 5, saturation: 0, powerRed: 1.05, powerGreen: 1.05, powerBlue: 1.05 },
  },
  {
    ...{ id: 'look-albumen', name: 'Albumen print' },
    fields: {
      ...{ tone: 'film', whiteLevel: 7, vignetteLevel: 0.3, vignetteInner: 0.4, vignetteColour: '#6a4a30' },
      ...toned(1.28, 1.02, 0.62, 0.34),
      ...{ offsetRed: 0.03, offsetGreen: 0.018 },
    },
  },
  {
    ...{ id: 'look-cyanotype', name: 'Cyanotype' },
    fields: {
      tone: 'film',
      whiteLevel: 6,
      ...toned(0.62, 0.98, 1.42, 0.4),
      offsetBlue: 0.06,
      offsetGreen: 0.01,
    },
  },
  {
    ...{ id: 'look-platinum', name: 'Platinum print' },
    fields: {
      ...{ tone: 'shoulder', whiteLevel: 8, ...toned(1.06, 1, 0.92, 0.22) },
      ...{
        powerRed: 0.9,
        powerGreen: 0.9,
        powerBlue: 0.9,
        offsetRed: 0.02,
        offsetGreen: 0.018,
        offsetBlue: 0.016,
      },
    },
  },
  {
    ...{ id: 'look-bleach-bypass', name: 'Bleach bypass' },
    fields: {
      ...{ tone: 'film', whiteLevel: 4, saturation: 0.52, powerRed: 1.18, powerGreen: 1.18, powerBlue: 1.16 },
      ...{ slopeRed: 1.06, slopeGreen: 1.06, slopeBlue: 1.08 },
    },
  },
  {
    ...{ id: 'look-autochrome', name: 'Autochrome plate' },
    fields: {
      ...{
        tone: 'shoulder',
        whiteLevel: 6,
        saturation: 0.84,
        bloomLevel: 0.16,
        bloomThreshold: 0.7,
        bloomSpread: 0.5,
      },
      ...{
        slopeRed: 1.03,
        slopeBlue: 0.93,
        offsetRed: 0.014,
        offsetGreen: 0.01,
        offsetBlue: 0.022,
        fringePx: 0.5,
      },
    },
  },
  {
    ...{ id: 'look-two-colour', name: 'Two-colour print' },
    fields: {
      tone: 'film',
      whiteLevel: 5,
      saturation: 0.92,
      slopeRed: 1.12,
      slopeBlue: 0.82,
      powerBlue: 0.92,
    },
  },
  {
    ...{ id: 'look-lantern-slide', name: 'Lantern slide' },
    fields: {
      ...{
        tone: 'film',
        whiteLevel: 5,
        bloomLevel: 0.32,
        bloomThreshold: 0.85,
        bloomKnee: 0.4,
        bloomSpread: 0.66,
      },
      ...{ bloomColour: '#ffd8a8', vignetteLevel: 0.42, vignetteInner: 0.42, vignetteRoundness: 0.9 },
    },
  },
  {
    ...{ id: 'look-soft-lens', name: 'Soft-focus lens' },
    fields: {
      ...{ bloomLevel: 0.42, bloomThreshold: 0.45, bloomKnee: 0.35, bloomSpread: 0.45 },
      ...{ tone: 'shoulder', whiteLevel: 5, saturation: 0.95 },
    },
  },
  {
    ...{ id: 'look-day-for-night', name: 'Day for night' },
    fields: {
      ...{ exposureStops: -1.1, tone: 'film', whiteLevel: 4, saturation: 0.62 },
      ...{ slopeRed: 0.86, slopeGreen: 0.94, slopeBlue: 1.12, offsetBlue: 0.014 },
    },
  },
  {
    ...{ id: 'look-fogged-plate', name: 'Fogged plate' },
    fields: {
      ...{ tone: 'shoulder', whiteLevel: 6, saturation: 0.78 },
      ...{
        slopeRed: 0.9,
        slopeGreen: 0.91,
        slopeBlue: 0.93,
        offsetRed: 0.055,
        offsetGreen: 0.05,
        offsetBlue: 0.06,
      },
    },
  },
  {
    ...{ id: 'look-winter-stock', name: 'Winter stock' },
    fields: {
      ...{ tone: 'film', whiteLevel: 5, saturation: 0.8, slopeRed: 0.95, slopeBlue: 1.06, offsetBlue: 0.01 },
    },
  },
  {
    ...{ id: 'look-tungsten', name: 'Tungsten light' },
    fields: {
      tone: 'film',
      whiteLevel: 5,
      saturation: 1.02,
      slopeRed: 1.07,
      slopeBlue: 0.88,
      powerBlue: 1.04,
    },
  },
];
