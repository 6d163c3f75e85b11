import { Asset, AssetsAnswer } from '@ant-trail/contract/register';
import { useState } from 'react';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';

/** What the register knows at a place; sheets put rows in from it, and what is found there joins it. */
export function RegisterList({ site }: { site: string }) {
  const { answer, again } = useOffice(AssetsAnswer, `/api/sites/${site}/assets`);
  const [kind, setKind] = useState('');
  const [name, setName] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const doAndLook = async (work: () => Promise<unknown>) => {
    try {
      await work();
      setProblem(null);
      again();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  const assets = answer?.assets ?? [];
  const kinds = [...new Set(assets.map((asset) => asset.kind))];
  const add = () =>
    doAndLook(async () => {
      await ask(Asset, 'POST', `/api/sites/${site}/assets`, { kind, name });
      setName('');
    });
  const change = (asset: Asset, patch: Partial<Asset>) =>
    doAndLook(() =>
      ask(Asset, 'PUT', `/api/assets/${asset.id}`, {
        kind: asset.kind,
        name: asset.name,
        retired: asset.retired,
        ...patch,
      }),
    );
  return (
    <Column gap="$2" render="section" aria-label="Register">
      <Heading>Register</Heading>
      {answer && assets.length === 0 ? (
        <Body small quiet>
          Nothing yet. What technicians find on site comes in by itself.
        </Body>
      ) : null}
      {kinds.map((each) => (
        <Column key={each}>
          <Body small strong>
            {each}
          </Body>
          {assets
            .filter((asset) => asset.kind === each)
            .map((asset) => (
              <Column key={asset.id}>
                <Row gap="$2" justifyContent="space-between">
                  <Body
                    small
                    flex={1}
                    quiet={asset.retired}
                    style={asset.retired ? { textDecoration: 'line-through' } : {}}
                  >
                    {asset.name}
                  </Body>
                  <Button
                    dense
                    plain
                    label={`${asset.retired ? 'Bring back' : 'Retire'} ${asset.name}`}
                    onPress={() => change(asset, { retired: !asset.retired })}
                  >
                    {asset.retired ? 'Bring back' : 'Retire'}
                  </Button>
                </Row>
                <Rule />
              </Column>
            ))}
        </Column>
      ))}
      <Row gap="$2" alignItems="flex-end" flexWrap="wrap">
        <Column flex={1} minWidth={150}>
          <Input label="Kind of thing" value={kind} onChange={setKind} />
        </Column>
        <Column flex={2} minWidth={180}>
          <Input label="What it is called" value={name} onChange={setName} />
        </Column>
        <Button dense disabled={!kind.trim() || !name.trim()} onPress={() => add()}>
          Enter it
        </Button>
      </Row>
      {problem ? (
        <Body small eyes role="alert">
          {problem}
        </Body>
      ) : null}
    </Column>
  );
}
