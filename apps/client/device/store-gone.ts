import { create } from 'zustand';

/** Whether what this phone kept was deleted while the page was open: by hand, or by the browser. */
export const useStoreGone = create<{ readonly gone: boolean }>(() => ({ gone: false }));
