export interface Camera {
  readonly stream: MediaStream;
  readonly stop: () => void;
}

/** Opens the camera that looks away from the person; null when the phone or the person refuses. */
export async function openCamera(): Promise<Camera | null> {
  if (!('mediaDevices' in navigator)) return null;
  const stream = await navigator.mediaDevices
    .getUserMedia({ video: { facingMode: 'environment' } })
    .catch(() => null);
  return (
    stream && {
      stream,
      stop: () => {
        for (const track of stream.getTracks()) track.stop();
      },
    }
  );
}
