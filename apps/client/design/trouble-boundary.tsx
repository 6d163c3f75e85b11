import { Component, type ReactNode } from 'react';
import { Column } from './box.tsx';
import { Button } from './button.tsx';
import { Notice } from './notice.tsx';
import { Body, Title } from './text.tsx';

interface Props {
  /** What stays true whatever happened here, so that nobody fears for their work. */
  readonly comfort: string;
  readonly children: ReactNode;
}

interface State {
  readonly error: unknown;
}

/** Shows words where a screen broke, instead of a white page, and lets the person try again. */
export class TroubleBoundary extends Component<Props, State> {
  override state: State = { error: null };

  static getDerivedStateFromError(error: unknown): State {
    return { error };
  }

  private readonly again = (): void => this.setState({ error: null });

  override render(): ReactNode {
    const { error } = this.state;
    if (error === null) return this.props.children;
    return (
      <Column render="main" id="main" padding="$5" gap="$4" maxWidth={520}>
        <Title>This screen stopped</Title>
        <Notice tone="eyes" mark="needs eyes" alert>
          {whatHappened(error)}
        </Notice>
        <Body>{this.props.comfort}</Body>
        <Button main onPress={this.again}>
          Try again
        </Button>
        <Button onPress={() => location.reload()}>Load the page anew</Button>
      </Column>
    );
  }
}

/** The browser's own names for a store that can't be opened or read. */
const STORE_ERRORS = /Database|Quota|NotFound|InvalidState|Unknown|OpenFailed|Abort/;

/** What browsers and the bundler say where a piece that is loaded later does not come. */
const PIECE_ERRORS = /AsyncRequire|Loading module|dynamically imported|Importing a module/;

function whatHappened(error: unknown): string {
  const { name, message } = error instanceof Error ? error : { name: '', message: '' };
  if (PIECE_ERRORS.test(`${name} ${message}`))
    return 'A piece of this application could not be loaded. With a network, load the page anew: there may be a newer version.';
  return STORE_ERRORS.test(name)
    ? 'What is kept on this phone could not be read just now.'
    : 'Something here went wrong.';
}
