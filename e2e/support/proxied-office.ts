import { BreakingProxy } from './breaking-proxy.ts';
import { TestOffice } from './office.ts';

/** An office that phones reach only through somebody who can do anything to what passes. */
export interface ProxiedOffice {
  readonly office: TestOffice;
  readonly proxy: BreakingProxy;
  /** Where phones find it. */
  readonly base: string;
  readonly close: () => Promise<void>;
}

export async function openProxied(): Promise<ProxiedOffice> {
  const office = await TestOffice.open();
  const proxy = new BreakingProxy(office.port);
  return {
    ...{ office, proxy, base: await proxy.open() },
    close: () => {
      proxy.close();
      return office.close();
    },
  };
}
