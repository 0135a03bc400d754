/** How a person arranged the desk for themselves: kept in their browser, for every scene. */
import { mixed, type InferType, object, type ObjectShape } from 'yup';
import type { StoreApi } from 'zustand/vanilla';
import { list, oneOf, text, whole } from '@/core/fields';
import { CHANNEL_FOLDS, CHANNEL_ORDERS } from './channels';
import { keptInBrowser } from './kept-in-browser';

/** How narrow and how wide what has a moving border can be. */
export const BAY_WIDTH_PX = [320, 1600] as const;
export const ELEVATION_WIDTH_PX = [99, 420] as const;

function areKeys(value: unknown): value is Record<string, string[]> {
  return (
    typeof value === 'object' &&
    value !== null &&
    Object.values(value).every((keys) => Array.isArray(keys) && keys.every((key) => typeof key === 'string'))
  );
}

const FIELDS = {
  bayWidthPx: whole(...BAY_WIDTH_PX).default(768),
  elevationWidthPx: whole(...ELEVATION_WIDTH_PX).default(ELEVATION_WIDTH_PX[0]),
  /** Columns of the bay of which only the heading shows, by their titles. */
  foldedColumns: list(text(80).required(), 200).default(() => []),
  channelOrder: oneOf(CHANNEL_ORDERS).default('desk'),
  channelFold: oneOf(CHANNEL_FOLDS).default('none'),
  /** Keys of one's own in the place of the usual ones, by commands. */
  keys: mixed<Record<string, string[]>>()
    .required()
    .test(areKeys)
    .default(() => ({})),
} satisfies ObjectShape;

const _schema = object(FIELDS);
export type Preferences = InferType<typeof _schema>;
export type PreferencesStore = StoreApi<Preferences>;

/** @param isKept whether they outlast the page */
export function createPreferences(isKept: boolean): PreferencesStore {
  return keptInBrowser(isKept ? 'oilwick-preferences' : null, soundPreferences);
}

/** Each field that fits; the usual one in the place of any other. */
export function soundPreferences(kept: Record<string, unknown>): Preferences {
  return Object.fromEntries(
    Object.entries(FIELDS).map(([name, field]) => [
      name,
      name in kept && field.isValidSync(kept[name], { strict: true }) ? kept[name] : field.getDefault(),
    ]),
  ) as Preferences;
}

/** What stands where nobody arranged anything. */
export const USUAL: Preferences = soundPreferences({});
