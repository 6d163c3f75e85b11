import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body, Title } from '@/design/text.tsx';

/** In the place of the field's screens, once what they read from is no more. */
export const StoreGone = () => (
  <Column render="main" id="main" padding="$5" gap="$4" maxWidth={520} role="alert">
    <Title>What was kept on this phone is gone</Title>
    <Body>
      It was deleted while the page was open, by hand or by the browser. What had not been sent
      can’t be brought back; write down what you still know of it. What the office has comes here
      again.
    </Body>
    <Button main onPress={() => location.reload()}>
      Load the page anew
    </Button>
  </Column>
);
