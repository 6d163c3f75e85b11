import { Suspense } from 'react';
import { Notice } from '@/design/notice.tsx';
import { sayClockOff, useClock } from '@/device/clock.ts';
import { useSync } from '../engine.ts';
import { usePhone } from '../phone.tsx';

/** What has to be known on every screen of the field: what capabilities say, space, the clock. */
export function FieldNotices() {
  const { store } = usePhone();
  const isLow = useSync((sync) => sync.spaceIsLow);
  const clock = sayClockOff(useClock(({ offMs }) => offMs));
  return (
    <>
      {store.parts.flatMap(({ notices = [] }, at) =>
        notices.map((Said, index) => (
          <Suspense key={`${at} ${index}`} fallback={null}>
            <Said />
          </Suspense>
        )),
      )}
      {isLow ? (
        <Notice tone="eyes" mark="needs eyes" alert>
          Space on this phone is running low. Send what is kept here, and delete what you do not
          need from the phone.
        </Notice>
      ) : null}
      {clock ? (
        <Notice tone="eyes" mark="needs eyes" alert>
          The clock of this phone is {clock} of the office’s. Set it right in the phone’s settings:
          until then the times you record are marked as doubtful.
        </Notice>
      ) : null}
    </>
  );
}
