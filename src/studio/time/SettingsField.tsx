'use client';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import { FieldOf } from '../controls/FieldOf';

const IDS = [SETTINGS_ID];

type SettingsNumber = Parameters<typeof FieldOf<'settings'>>[0]['field'];

/** A number of the scene's settings. */
export function SettingsField(props: {
  field: SettingsNumber;
  label: string;
  low?: number;
  high: number;
  step?: number;
  unit?: string;
  digits?: number;
  whole?: boolean;
  logarithmic?: boolean;
}) {
  return <FieldOf collection="settings" ids={IDS} low={0} {...props} />;
}
