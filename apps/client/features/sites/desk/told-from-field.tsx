import { Site } from '@ant-trail/contract/sites';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Notice } from '@/design/notice.tsx';
import { sayWhen } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { FindSite } from './find-site.tsx';

export interface ToldFromFieldProps {
  readonly site: Site;
  readonly onSame: (known: Site) => void;
}

/** A place the office did not know of: it is right as it was told, or one there was. */
export function ToldFromField({ site, onSame }: ToldFromFieldProps) {
  const { organisation } = useMe();
  const { name } = usePeople();
  const [same, setSame] = useState<Site | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  if (!site.found) return null;
  const join = async (known: Site): Promise<void> => {
    try {
      onSame(await ask(Site, 'POST', `/api/sites/${site.id}/same-as`, { site: known.id }));
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Notice tone="eyes" mark="needs eyes">
      <Column gap="$3">
        <Body small>
          {name(site.found.by)} told of this place {sayWhen(site.found.at, organisation.timeZone)}.
          {site.found.sure ? '' : ' The phone did not know where it lies: set it right.'} Save it
          once all of it is right, or say which place it is.
        </Body>
        <FindSite label="It is a place we have" chosen={same} onChoose={setSame} />
        {same ? (
          <Row>
            <Button onPress={() => join(same)}>Take it as {same.name}</Button>
          </Row>
        ) : null}
        {problem ? (
          <Body small eyes role="alert">
            {problem}
          </Body>
        ) : null}
      </Column>
    </Notice>
  );
}
