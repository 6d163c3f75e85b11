import type { FoundInstrument, InstrumentPort, OpenInstrument } from '@ant-trail/core/instruments';

let port: Promise<InstrumentPort> | null = null;
/** Instruments that were paired since the page was opened, by kind: the next value takes one press. */
const paired = new Map<string, OpenInstrument>();

/** The way this phone reaches instruments. Today that is the stand-in; it comes when first used. */
function instrumentPort(): Promise<InstrumentPort> {
  port ??= import('@ant-trail/stand-ins/instruments').then(({ StandInPort }) => new StandInPort());
  return port;
}

export const pairedInstrument = (kind: string): OpenInstrument | null => paired.get(kind) ?? null;

export const findInstruments = async (kind: string): Promise<readonly FoundInstrument[]> =>
  (await instrumentPort()).find(kind);

/** Pairs with an instrument, in place of the one of its kind. Throws the trouble in words. */
export async function pairInstrument(found: FoundInstrument): Promise<OpenInstrument> {
  const opened = await (await instrumentPort()).open(found);
  paired.get(found.kind)?.close();
  paired.set(found.kind, opened);
  return opened;
}

export function forgetInstrument(kind: string): void {
  paired.get(kind)?.close();
  paired.delete(kind);
}
