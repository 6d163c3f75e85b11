import { Dossier } from '@ant-trail/contract/review';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { useOffice, type Asked } from '@/device/office.ts';
import { usePrepared } from '@/device/use-prepared.ts';
import { readDossier, type ReadingState } from './read-dossier.ts';
import { useQueue, type Queue } from './use-queue.ts';

/** A sheet before whoever reads it. */
export interface OpenReading {
  readonly dossier: Dossier;
  readonly reading: ReadingState;
  /** The answer looked into. */
  readonly chosen: string | null;
}

export interface Reading {
  readonly queue: Queue;
  readonly sheet: string | null;
  readonly dossier: Asked<Dossier>;
  readonly open: OpenReading | null;
  readonly choose: (key: string) => void;
  /** To the next sheet that waits, or with -1 back. */
  readonly go: (by: number) => void;
  /** After something was decided: on to the next. */
  readonly decided: () => void;
}

/** What waits to be read and what of it lies open: the one named by the address, else the first. */
export function useReading(opensFirst: boolean): Reading {
  const params = useLocalSearchParams<{ sheet?: string }>();
  const router = useRouter();
  const queue = useQueue();
  const items = queue.rows;
  const sheet = params.sheet ?? (opensFirst ? (items[0]?.sheet ?? null) : null);
  const dossier = useOffice(Dossier, sheet ? `/api/sheets/${sheet}` : null);
  const [chosen, setChosen] = useState<{ sheet: string; key: string } | null>(null);
  const canRead = usePrepared(dossier.answer?.version.body);
  const reading = dossier.answer && canRead ? readDossier(dossier.answer) : null;
  const key = chosen?.sheet === sheet ? chosen?.key : reading?.first;
  return {
    ...{ queue, sheet, dossier },
    open:
      reading && dossier.answer ? { dossier: dossier.answer, reading, chosen: key ?? null } : null,
    choose: (each) => sheet && setChosen({ sheet, key: each }),
    go: (by) => {
      const index = items.findIndex((item) => item.sheet === sheet);
      const next = items[Math.min(items.length - 1, Math.max(0, index + by))];
      if (index + by >= items.length - 1) queue.more?.();
      if (next) router.setParams({ sheet: next.sheet });
      if (next && !params.sheet) router.navigate(`/review/${next.sheet}`);
    },
    decided: () => {
      dossier.again();
      queue.again();
      const next = items.find((item) => item.sheet !== sheet);
      if (next) router.navigate(`/review/${next.sheet}`);
    },
  };
}
