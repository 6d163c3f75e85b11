import type { Job } from '@ant-trail/contract/planning';
import { isUnsigned } from '@ant-trail/core/planning';
import { Suspense, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Notice } from '@/design/notice.tsx';
import { sayWhen } from '@/design/say-day.ts';
import { SignatureDrawing } from '@/design/signature-drawing.tsx';
import { Body } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { SigningDialog } from './signing-later.ts';
import type { TrailStop } from './trail.ts';

type Signed = NonNullable<NonNullable<Job['signing']>['signed']>;

const sayWho = ({ signature, role }: Pick<Signed, 'signature' | 'role'>): string =>
  [signature.name, role].filter(Boolean).join(', ');

/** Who signed for the job at its place, or the way to have it signed: on arrival, or any time later. */
export function SignedHere({ stop }: { stop: TrailStop }) {
  const { organisation } = useMe();
  const [open, setOpen] = useState(false);
  const { signing } = stop.job;
  const signed = signing?.signed ?? null;
  return (
    <Column gap="$2">
      {isUnsigned(signing) ? (
        <Notice tone="eyes" mark="needs eyes">
          The work can’t be finished before whoever answers for the place has signed.
        </Notice>
      ) : null}
      {signing?.waived ? (
        <Body small>The office does without a signature: “{signing.waived.reason}”.</Body>
      ) : null}
      {signed ? (
        <>
          {'typed' in signed.signature ? null : (
            <SignatureDrawing value={signed.signature} height={90} />
          )}
          <Body small quiet>
            {sayWho(signed)}, {sayWhen(signed.at, organisation.timeZone)}
          </Body>
        </>
      ) : null}
      <Row>
        <Button dense onPress={() => setOpen(true)}>
          {signed ? 'Have it signed again' : 'Have it signed'}
        </Button>
      </Row>
      {open ? (
        <Suspense fallback={null}>
          <SigningDialog stop={stop} onClose={() => setOpen(false)} />
        </Suspense>
      ) : null}
    </Column>
  );
}
