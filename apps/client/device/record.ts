export interface Recording {
  readonly stop: () => void;
}

/**
 * Records sound or a video until it is stopped or the time is up, then gives it as a file. When
 * the device or the person refuses, says so in words.
 */
export async function record(
  what: 'audio' | 'video',
  longest: number,
  done: (file: File) => void,
): Promise<Recording | { readonly problem: string }> {
  const refused = {
    problem: 'No microphone or camera can be used here. Add a file from the phone.',
  };
  if (!('mediaDevices' in navigator) || typeof MediaRecorder === 'undefined') return refused;
  const stream = await navigator.mediaDevices
    .getUserMedia({ audio: true, video: what === 'video' && { facingMode: 'environment' } })
    .catch(() => null);
  if (!stream) return refused;
  const recorder = new MediaRecorder(stream, { videoBitsPerSecond: 1_200_000 });
  const parts: Blob[] = [];
  recorder.ondataavailable = (event) => parts.push(event.data);
  recorder.onstop = () => {
    clearTimeout(timer);
    for (const track of stream.getTracks()) track.stop();
    const type = recorder.mimeType || `${what}/webm`;
    const ending = type.includes('mp4') ? 'mp4' : 'webm';
    const name = what === 'video' ? 'Video' : 'Voice note';
    done(new File(parts, `${name}.${ending}`, { type: type.split(';')[0] ?? type }));
  };
  const stop = (): void => {
    if (recorder.state !== 'inactive') recorder.stop();
  };
  const timer = setTimeout(stop, longest * 1000);
  recorder.start();
  return { stop };
}

/** Length of a recording in seconds; undefined when the browser can't tell. */
export function measureLength(file: Blob): Promise<number | undefined> {
  return new Promise((resolve) => {
    const element = document.createElement('video');
    const url = URL.createObjectURL(file);
    const end = (): void => {
      URL.revokeObjectURL(url);
      resolve(Number.isFinite(element.duration) ? element.duration : undefined);
    };
    element.onloadedmetadata = end;
    element.onerror = end;
    element.preload = 'metadata';
    element.src = url;
  });
}
