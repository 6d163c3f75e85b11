import { z } from 'zod';

/** How somebody wants it, on whatever phone or computer. */
const SETTINGS = {
  theme: z.enum(['as the phone', 'light', 'dark', 'sunlight']),
  units: z.enum(['SI', 'US']),
  /** Whether what comes next comes by itself. */
  goingOn: z.enum(['by itself', 'by hand']),
  letters: z.enum(['usual', 'large', 'largest']),
  hand: z.enum(['right', 'left']),
  /** Single letters do what buttons say. */
  singleKeys: z.enum(['on', 'off']),
  photosOver: z.enum(['any network', 'Wi-Fi alone']),
} as const;

export type Settings = { readonly [Key in keyof typeof SETTINGS]: z.infer<(typeof SETTINGS)[Key]> };

/** Those that change; the others stay as they are. */
export const SettingsChange = z.object(SETTINGS).partial().strict();
export type SettingsChange = z.infer<typeof SettingsChange>;

/** As the office keeps them: a phone takes what it knows, whatever a newer one has written besides. */
export const KeptSettings = z.record(z.string().max(40), z.string().max(40));

/** Of what was kept, all that this version knows. */
export function knownSettings(kept: z.infer<typeof KeptSettings>): Partial<Settings> {
  return Object.fromEntries(
    Object.entries(SETTINGS).flatMap(([key, schema]) => {
      const read = schema.safeParse(Object.hasOwn(kept, key) ? kept[key] : undefined);
      return read.success ? [[key, read.data]] : [];
    }),
  );
}
