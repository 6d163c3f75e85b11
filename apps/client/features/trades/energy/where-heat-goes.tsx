import type { Catalogue } from '@ant-trail/core/catalogues';
import type { Outlet } from '@ant-trail/core/trades/energy';
import { MEASURES, measureOf } from '@ant-trail/core/trades/energy/keys';
import { useEffect, useMemo, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dots } from '@/design/dots.tsx';
import { Body, Heading } from '@/design/text.tsx';
import type { KitPartProps, Said } from '../part.ts';
import { HeatDrawing } from './heat-drawing.tsx';
import { useNearest } from './nearest.ts';
import { SavedSoFar } from './saved-so-far.tsx';
import { saidForAll } from './taking-up.ts';
import { useEnergy } from './use-energy.ts';
import { WhatCanBeDone } from './what-can-be-done.tsx';
import { WhatItComesTo } from './what-it-comes-to.tsx';

/** Where the heat goes, what is saved so far, and what can be done about it. */
export default function WhereHeatGoes(props: KitPartProps) {
  const { locked, section, write, seek, listOf } = props;
  const list = useList(listOf);
  const now = useEnergy(props.state, list);
  const nearest = useNearest(now);
  const [open, setOpen] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const ribbons = useMemo(
    () => (now ? now.kit.ribbonsOf(now.survey.house, now.survey.savings.houseAfter) : []),
    [now],
  );
  if (!now)
    return section === 'shell' ? (
      <Column padding="$4">
        <Body small quiet>
          Where the heat goes is drawn here once the house, its heating and a first part are known.
        </Body>
      </Column>
    ) : null;
  const say = async (said: readonly Said[]): Promise<string | null> => {
    const refused = await write(said);
    setTrouble(refused);
    return refused;
  };
  const way = nearest?.way;
  const openOutlet = (outlet: Outlet): void => {
    const at = now.survey.house.parts.findIndex(({ kind }) => now.kit.outletOf(kind) === outlet);
    const row = now.rows[at];
    seek(row ? `${row.path}/area` : measureOf('air'));
  };
  return (
    <Column padding="$4" gap="$3">
      <Row justifyContent="space-between" alignItems="baseline" gap="$3">
        <Heading>Where the heat goes</Heading>
        <Body small quiet>
          kWh a year
        </Body>
      </Row>
      <HeatDrawing kit={now.kit} ribbons={ribbons} onOpen={openOutlet} />
      <Body tiny quiet>
        As wide as the loss. Pale: before what is taken up.
      </Body>
      <Dots />
      <SavedSoFar
        now={now}
        nearest={nearest}
        onTake={
          locked || !list || !way ? null : () => void say(saidForAll(now, way.measures, list))
        }
      />
      {trouble ? (
        <Body small eyes role="alert">
          {trouble}
        </Body>
      ) : null}
      {list ? (
        <Row>
          <Button onPress={() => setOpen(true)}>What can be done</Button>
        </Row>
      ) : null}
      {section === 'proposal' ? <WhatItComesTo now={now} /> : null}
      {open && list ? (
        <WhatCanBeDone
          {...{ now, list, locked, write: say }}
          onOpen={(path) => {
            setOpen(false);
            seek(path);
          }}
          onClose={() => setOpen(false)}
        />
      ) : null}
    </Column>
  );
}

function useList(listOf: KitPartProps['listOf']): Catalogue | null {
  const [list, setList] = useState<Catalogue | null>(null);
  useEffect(() => {
    let left = false;
    void listOf(MEASURES).then((found) => {
      if (!left) setList(found);
    });
    return () => {
      left = true;
    };
  }, [listOf]);
  return list;
}
