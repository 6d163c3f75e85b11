import { Notice } from '@/design/notice.tsx';
import { sayClockOff, useClock } from '@/device/clock.ts';
import { LapsedNotice } from '@/features/accounts/lapsed-notice.tsx';
import { useSync } from '../engine.ts';

/** What has to be known on every screen of the field: sending waits, space runs out, the clock is wrong. */
export function FieldNotices() {
  const isLow = useSync((sync) => sync.spaceIsLow);
  const clock = sayClockOff(useClock(({ offMs }) => offMs));
  return (
    <>
      <LapsedNotice />
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
