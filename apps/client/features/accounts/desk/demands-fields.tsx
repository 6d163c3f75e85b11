import type { Demands } from '@ant-trail/core/accounts';
import { NamesField } from '@/design/names-field.tsx';

export interface DemandsFieldsProps {
  readonly demands: Demands;
  readonly onChange: (demands: { credentials?: string[]; skills?: string[] }) => void;
}

/** What it takes of whoever does the work. Whoever plans is warned where somebody lacks it. */
export function DemandsFields({ demands, onChange }: DemandsFieldsProps) {
  const set = (part: keyof Demands, names: readonly string[]): void =>
    onChange(
      Object.fromEntries(
        Object.entries({ ...demands, [part]: names }).filter(([, each]) => each.length > 0),
      ),
    );
  return (
    <>
      <NamesField
        label="Credentials it takes, between commas"
        names={demands.credentials ?? []}
        onChange={(names) => set('credentials', names)}
        help="As they are called at people, such as “Ropeway licence”."
      />
      <NamesField
        label="Skills it takes, between commas"
        names={demands.skills ?? []}
        onChange={(names) => set('skills', names)}
      />
    </>
  );
}
