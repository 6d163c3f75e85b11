import { styled, View } from '@tamagui/core';
import { usePathname, useRouter } from 'expo-router';
import { Row } from '@/design/box.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { useKept } from '@/features/sync/kept.ts';

const Place = styled(View, {
  minHeight: 48,
  minWidth: 64,
  paddingHorizontal: '$3',
  flexDirection: 'row',
  gap: '$1',
  alignItems: 'center',
  justifyContent: 'center',
  borderBottomWidth: 3,
  borderColor: 'transparent',
  style: { textDecoration: 'none' },
  variants: { here: { true: { borderColor: '$trail' } } } as const,
});

const PLACES = [
  { href: '/trail', word: 'Trail' },
  { href: '/find', word: 'Find' },
  { href: '/kept', word: 'Sending' },
  { href: '/self', word: 'Me' },
] as const;

/** A few words of navigation under the bar. */
export function FieldNav() {
  const here = usePathname();
  const router = useRouter();
  const kept = useKept();
  const waiting = (kept?.operations ?? 0) + (kept?.photos ?? 0) + (kept?.refused ?? 0);
  return (
    <Row render="nav" justifyContent="space-around" aria-label="Places" paddingBottom="$1">
      {PLACES.map(({ href, word }) => (
        <Place
          key={href}
          render={<a href={href} />}
          here={here === href}
          aria-current={here === href ? 'page' : undefined}
          onPress={(event) => {
            event.preventDefault();
            router.navigate(href);
          }}
        >
          <Body small strong={here === href}>
            {word}
          </Body>
          {href === '/kept' && waiting > 0 ? (
            <Figure small strong eyes={Boolean(kept?.refused)}>
              {waiting}
            </Figure>
          ) : null}
        </Place>
      ))}
    </Row>
  );
}
