import { Column } from '@/design/box.tsx';
import { Input } from '@/design/input.tsx';
import { useWritten, type ListQuery } from './use-list.ts';

export interface TextFilterProps {
  readonly label: string;
  readonly query: ListQuery;
  readonly onChange: (to: { text: string | undefined }) => void;
}

/** Words a list is narrowed by; all of them have to occur. */
export function TextFilter({ label, query, onChange }: TextFilterProps) {
  const [text, setText] = useWritten(query['text'] ?? '', (words) =>
    onChange({ text: words || undefined }),
  );
  return (
    <Column width={300} maxWidth="100%">
      <Input label={label} value={text} onChange={setText} />
    </Column>
  );
}
