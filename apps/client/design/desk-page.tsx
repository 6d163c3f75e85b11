import type { ReactNode } from 'react';
import { Column, Row, Scroll } from './box.tsx';
import { Body, Title } from './text.tsx';

export interface DeskPageProps {
  readonly title: string;
  readonly about?: ReactNode;
  readonly actions?: ReactNode;
  readonly problem?: string | null;
  readonly children: ReactNode;
}

/** A page of the desk with its heading; lists stand below it. */
export function DeskPage({ title, about, actions, problem, children }: DeskPageProps) {
  return (
    <Scroll render="main" tabIndex={0} aria-label={title}>
      <Column padding="$5" gap="$4" maxWidth={1240} width="100%" alignSelf="center">
        <Row justifyContent="space-between" gap="$4" flexWrap="wrap">
          <Row gap="$4" alignItems="baseline" flexWrap="wrap">
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
        {children}
      </Column>
    </Scroll>
  );
}
