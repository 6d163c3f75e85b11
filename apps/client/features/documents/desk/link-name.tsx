import { AssetKindsAnswer } from '@ant-trail/contract/register';
import { Site } from '@ant-trail/contract/sites';
import { Story } from '@ant-trail/contract/story';
import { TemplatesAnswer } from '@ant-trail/contract/templates';
import type { DocumentLink } from '@ant-trail/core/documents';
import { useOffice } from '@/device/office.ts';

/** What something a document is attached to is called. */
export function LinkName({ link: { to, ref } }: { readonly link: DocumentLink }) {
  const site = useOffice(Site, to === 'site' ? `/api/sites/${ref}` : null, ['site']).answer;
  const story = useOffice(Story, to === 'asset' ? `/api/assets/${ref}/story` : null, [
    'asset',
  ]).answer;
  const kinds = useOffice(AssetKindsAnswer, to === 'kind' ? '/api/asset-kinds' : null, [
    'asset kind',
  ]).answer;
  const templates = useOffice(TemplatesAnswer, to === 'template' ? '/api/templates' : null, [
    'template',
  ]).answer;
  switch (to) {
    case 'site':
      return site?.name ?? '…';
    case 'asset':
      return story ? story.asset.name : '…';
    case 'kind': {
      const kind = kinds?.kinds.find(({ id }) => id === ref);
      return kind ? `every ${kind.name}` : '…';
    }
    case 'template': {
      const template = templates?.templates.find((each) => each.template === ref);
      return template ? `every “${template.body.title}”` : '…';
    }
  }
}
