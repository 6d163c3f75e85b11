import { SITE_RADIUS_M } from '@ant-trail/core/geo';
import { useState } from 'react';
import { useController } from 'react-hook-form';
import { Input } from '@/design/input.tsx';
import type { SiteForm } from './hazard-fields.tsx';

/** How far around a place counts as being there. */
export function RadiusField({ control }: { control: SiteForm }) {
  const { field, fieldState } = useController({ control, name: 'radius' });
  const [text, setText] = useState(typeof field.value === 'number' ? String(field.value) : '');
  return (
    <Input
      label="How far around counts as there, in metres"
      kind="decimal"
      value={text}
      onChange={(typed) => {
        setText(typed);
        field.onChange(typed.trim() === '' ? null : Number(typed.replace(',', '.')));
      }}
      help={`Left empty: ${SITE_RADIUS_M} m.`}
      problem={fieldState.error && 'From 5 to 20,000 metres.'}
    />
  );
}
