import { sayDistance } from '@ant-trail/core/geo';
import { openCamera } from '@/device/camera.ts';
import { sayClockOff, useClock } from '@/device/clock.ts';
import { currentFix } from '@/device/position.ts';
import { askToKeep, spaceIsLow } from '@/device/storage.ts';

export type Outcome =
  | { readonly works: true; readonly words: string }
  | { readonly works: false; readonly words: string; readonly advice: string };

export interface Trial {
  readonly name: string;
  /** What it is for. */
  readonly about: string;
  readonly run: () => Promise<Outcome>;
}

/** A fix that is no better is of little use for being there. */
const ROUGH_M = 100;

async function tryPosition(): Promise<Outcome> {
  const state = await permissionFor('geolocation');
  if (state === 'denied')
    return {
      ...{ works: false, words: 'This phone does not let Ant Trail know where it is.' },
      advice: 'Allow it in the settings of the browser, under “Site settings”, then “Location”.',
    };
  const fix = await currentFix();
  if (!fix)
    return {
      ...{ works: false, words: 'The phone could not tell where it is.' },
      advice:
        'Turn location on in the settings of the phone, step out from under the roof, and try again. You can work without it: you say then why you are there.',
    };
  const { accuracy } = fix;
  if (accuracy > ROUGH_M)
    return {
      ...{ works: false, words: `It is known within ${sayDistance(accuracy)} only.` },
      advice: 'Wait a moment under the open sky, and let the phone use exact location.',
    };
  return { works: true, words: `Known within ${sayDistance(accuracy)}.` };
}

async function tryCamera(): Promise<Outcome> {
  if ((await permissionFor('camera')) === 'denied')
    return {
      ...{ works: false, words: 'This phone does not let Ant Trail use the camera.' },
      advice: 'Allow it in the settings of the browser, under “Site settings”, then “Camera”.',
    };
  const camera = await openCamera();
  if (!camera)
    return {
      ...{ works: false, words: 'The camera did not open.' },
      advice:
        'Close other applications that use it. Labels can be typed by their number, and photos chosen from the gallery.',
    };
  const { width, height } = camera.stream.getVideoTracks()[0]?.getSettings() ?? {};
  camera.stop();
  return {
    works: true,
    words: width && height ? `It opens, and sees ${width} by ${height} points.` : 'It opens.',
  };
}

async function tryStore(): Promise<Outcome> {
  if (await spaceIsLow())
    return {
      ...{ works: false, words: 'There is little room left on this phone.' },
      advice: 'Take films or applications off it. Photos the office has make room by themselves.',
    };
  if (!(await askToKeep()))
    return {
      ...{ works: false, words: 'The browser may clear what is kept here when it wants room.' },
      advice: 'Add Ant Trail to the home screen, and send before you leave the network for long.',
    };
  return { works: true, words: 'There is room, and what is kept here stays.' };
}

async function tryOffice(): Promise<Outcome> {
  const from = performance.now();
  const answer = await fetch('/api/health', { cache: 'no-store' }).catch(() => null);
  if (!answer?.ok || answer.headers.get('X-Ant-Trail') === null)
    return {
      ...{ works: false, words: 'The office does not answer.' },
      advice:
        'All is kept on this phone meanwhile. In a network with a page to sign in to, open any other page first.',
    };
  if (sayClockOff(useClock.getState().offMs) !== null)
    return {
      ...{ works: false, words: 'The clock of this phone is far off.' },
      advice: 'Let the phone set its time by itself, in its settings.',
    };
  return { works: true, words: `It answers within ${Math.round(performance.now() - from)} ms.` };
}

/** What the work needs of the phone, in the order it is tried. */
export const trials: readonly Trial[] = [
  { name: 'Position', about: 'Shows that you are there, and where to go.', run: tryPosition },
  { name: 'Camera', about: 'Takes photos, and reads labels.', run: tryCamera },
  { name: 'Store', about: 'Keeps what you record, with no network.', run: tryStore },
  { name: 'Office', about: 'Gets what you send.', run: tryOffice },
];

async function permissionFor(name: 'geolocation' | 'camera'): Promise<PermissionState | null> {
  try {
    return (await navigator.permissions.query({ name: name })).state;
  } catch {
    // Browsers that can't tell ask when it is used.
    return null;
  }
}
