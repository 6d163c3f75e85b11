import { AssetKindsAnswer } from '@ant-trail/contract/register';
import { type Site } from '@ant-trail/contract/sites';
import { type Asset, AssetsAnswer } from '@ant-trail/contract/register';
import { TemplatesAnswer } from '@ant-trail/contract/templates';
import type { DocumentLink } from '@ant-trail/core/documents';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { FindAmong } from '@/design/find-among.tsx';
import { Pick } from '@/design/pick.tsx';
import { Body } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { FindSite } from '@/features/sites/desk/find-site.tsx';
import { LinkName } from './link-name.tsx';

const WHAT: Record<DocumentLink['to'], string> = {
  site: 'A place',
  asset: 'A thing',
  kind: 'All things of a kind',
  template: 'All sheets of a template',
};

export interface LinksFieldProps {
  readonly links: readonly DocumentLink[];
  readonly onChange: (links: readonly DocumentLink[]) => void;
}

/** What a document is attached to. */
export function LinksField({ links, onChange }: LinksFieldProps) {
  const [to, setTo] = useState<DocumentLink['to']>('site');
  const [site, setSite] = useState<Site | null>(null);
  const kinds = useOffice(AssetKindsAnswer, to === 'kind' ? '/api/asset-kinds' : null, [
    'asset kind',
  ]).answer?.kinds;
  const templates = useOffice(TemplatesAnswer, to === 'template' ? '/api/templates' : null, [
    'template',
  ]).answer?.templates;
  const things = useOffice(
    AssetsAnswer,
    to === 'asset' && site ? `/api/sites/${site.id}/assets` : null,
    ['asset'],
  ).answer?.assets;
  const add = (ref: string | null): void => {
    if (!ref || links.some((link) => link.to === to && link.ref === ref)) return;
    onChange([...links, { to, ref }]);
  };
  return (
    <Column gap="$2">
      <Body strong>What it is about</Body>
      {links.length === 0 ? (
        <Body small quiet>
          Nothing yet: it is found by its name alone, and comes to no phone by itself.
        </Body>
      ) : null}
      {links.map((link) => (
        <Row key={`${link.to} ${link.ref}`} gap="$3" justifyContent="space-between">
          <Body flex={1}>
            <LinkName link={link} />
          </Body>
          <Button dense plain onPress={() => onChange(links.filter((each) => each !== link))}>
            Take off
          </Button>
        </Row>
      ))}
      <Row gap="$3" flexWrap="wrap" alignItems="flex-end">
        <Pick
          label="Attach it to"
          value={to}
          onChange={(value) => setTo(value as DocumentLink['to'])}
          options={Object.entries(WHAT).map(([value, label]) => ({ value, label }))}
        />
        <Column flex={1} minWidth={200}>
          {to === 'site' || to === 'asset' ? (
            <FindSite
              key={`${to} ${links.length}`}
              label={to === 'site' ? 'Which place' : 'Where it stands'}
              chosen={to === 'asset' ? site : null}
              onChoose={(place) => (to === 'site' ? add(place?.id ?? null) : setSite(place))}
            />
          ) : null}
          {to === 'kind' ? (
            <FindAmong
              key={links.length}
              label="Which kind"
              chosen={null}
              onChoose={add}
              options={(kinds ?? []).map(({ id, name }) => ({ value: id, label: name }))}
            />
          ) : null}
          {to === 'template' ? (
            <FindAmong
              key={links.length}
              label="Which template"
              chosen={null}
              onChoose={add}
              options={(templates ?? []).map(({ template, body }) => ({
                ...{ value: template, label: body.title },
              }))}
            />
          ) : null}
        </Column>
        {to === 'asset' && site ? (
          <Column flex={1} minWidth={200}>
            <FindAmong
              key={links.length}
              label="Which thing"
              chosen={null}
              onChoose={add}
              options={(things ?? [])
                .filter(({ retired }: Asset) => !retired)
                .map(({ id, name, kind }: Asset) => ({ value: id, label: name, about: kind }))}
            />
          </Column>
        ) : null}
      </Row>
    </Column>
  );
}
