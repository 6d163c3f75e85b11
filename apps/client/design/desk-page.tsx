import { createContext, useContext, useState, type ReactNode } from 'react';
import { Column, Row, Scroll } from './box.tsx';
import { usePageTitle } from './page-title.ts';
import { Body, Title } from './text.tsx';

export interface DeskPageProps {
  readonly title: string;
  readonly about?: ReactNode;
  readonly actions?: ReactNode;
  readonly problem?: string | null;
  readonly children: ReactNode;
}

const ScrollElement = createContext<HTMLElement | null>(null);

/** What a page of the desk scrolls in: long lists draw only what is before somebody's eyes. */
export const useScrollElement = (): HTMLElement | null => useContext(ScrollElement);

/** A page of the desk with its heading; lists stand below it. */
export function DeskPage({ title, about, actions, problem, children }: DeskPageProps) {
  usePageTitle(title);
  const [element, setElement] = useState<HTMLElement | null>(null);
  return (
    <Scroll
      ref={(view) => setElement(view as unknown as HTMLElement | null)}
      render="main"
      id="main"
      tabIndex={0}
      aria-label={title}
    >
      <Column padding="$5" gap="$4" maxWidth={1240} width="100%" alignSelf="center">
        <Row justifyContent="space-between" gap="$4" flexWrap="wrap">
          <Row gap="$4" alignItems="baseline" flexWrap="wrap" flexShrink={1}>
            <Title>{title}</Title>
            {about}
          </Row>
          {actions}
        </Row>
        {problem ? (
          <Body eyes strong role="alert">
            {problem}
          </Body>
        ) : null}
        <ScrollElement.Provider value={element}>{children}</ScrollElement.Provider>
      </Column>
    </Scroll>
  );
}
