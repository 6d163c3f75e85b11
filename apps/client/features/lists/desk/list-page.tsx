import type { ReactNode } from 'react';
import { Row } from '@/design/box.tsx';
import { DeskPage } from '@/design/desk-page.tsx';
import { Body } from '@/design/text.tsx';
import { OfficeList, type OfficeListProps } from './office-list.tsx';

export interface ListPageProps<Item> extends OfficeListProps<Item> {
  readonly title: string;
  /** What is worth knowing beside how many there are. */
  readonly about?: ReactNode;
  /** What can be done beside the list, such as adding to it. */
  readonly actions?: ReactNode;
  /** What is open in front of the list. */
  readonly children?: ReactNode;
}

/** A page of the desk that is one list. */
export function ListPage<Item>({ title, about, actions, children, ...list }: ListPageProps<Item>) {
  const { problem, total } = list.list;
  return (
    <DeskPage
      title={title}
      problem={problem}
      about={
        <Row gap="$3" alignItems="baseline">
          <Body quiet>{total === undefined ? '' : `${total} in all`}</Body>
          {about}
        </Row>
      }
      actions={actions}
    >
      <OfficeList<Item> {...list} />
      {children}
    </DeskPage>
  );
}
