import { useEffect, useState } from 'react';
import { z } from 'zod';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { sayDatedDay } from '@/design/say-day.ts';
import { Body, Heading } from '@/design/text.tsx';
import { VERSION } from '@/device/version.ts';

const Changes = z.array(
  z.object({
    version: z.string(),
    date: z.string(),
    about: z.string(),
    changes: z.array(z.string()),
  }),
);

/** Which version this is, and what came with the last ones. */
export function WhatChanged() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button dense onPress={() => setOpen(true)}>
        Version {VERSION}: what changed
      </Button>
      {open ? <ChangesDialog onClose={() => setOpen(false)} /> : null}
    </>
  );
}

function ChangesDialog({ onClose }: { onClose: () => void }) {
  const [told, setTold] = useState<z.infer<typeof Changes> | null>(null);
  const [missing, setMissing] = useState(false);
  useEffect(() => {
    fetch('/changes.json')
      .then(async (answer) => setTold(Changes.parse(await answer.json())))
      .catch(() => setMissing(true));
  }, []);
  return (
    <Dialog title="What changed" onClose={onClose} width={620} easy>
      <Column gap="$4">
        {missing ? <Body>What changed can’t be told just now.</Body> : null}
        {(told ?? []).map(({ version, date, about, changes }) => (
          <Column key={version} gap="$2">
            <Heading>
              {version}, {sayDatedDay(date)}
            </Heading>
            <Body>{about}</Body>
            <Column gap="$2" role="list">
              {changes.map((change) => (
                <Body key={change} small role="listitem">
                  {change}
                </Body>
              ))}
            </Column>
          </Column>
        ))}
      </Column>
    </Dialog>
  );
}
