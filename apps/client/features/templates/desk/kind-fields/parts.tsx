import { freeKey } from '@ant-trail/core/logic';
import type { Part, SharesQuestion, SketchQuestion } from '@ant-trail/core/sheet';
import { Input } from '@/design/input.tsx';
import type { KindFieldsProps } from './props.ts';

export const SharesFields = ({ question, set }: KindFieldsProps<SharesQuestion>) => (
  <PartsField
    label="Shares, one per line"
    parts={question.parts}
    onChange={(parts) => set({ parts })}
  />
);

export const SketchFields = ({ question, set }: KindFieldsProps<SketchQuestion>) => (
  <PartsField
    label="Signs to draw with, one per line"
    parts={question.symbols ?? []}
    onChange={(symbols) => set({ symbols: symbols.length > 0 ? symbols : undefined })}
  />
);

interface PartsFieldProps {
  readonly label: string;
  readonly parts: readonly Part[];
  readonly onChange: (parts: readonly Part[]) => void;
}

/** Named parts as lines of text; a line keeps its key while it is reworded. */
function PartsField({ label, parts, onChange }: PartsFieldProps) {
  return (
    <Input
      label={label}
      lines={4}
      value={parts.map((part) => part.label).join('\n')}
      onChange={(text) => {
        const taken = new Set<string>();
        onChange(
          text.split('\n').map((line, index) => {
            const key = parts[index]?.key ?? freeKey(line, taken);
            taken.add(key);
            return { key, label: line };
          }),
        );
      }}
      onLeave={() => onChange(parts.filter((part) => part.label.trim() !== ''))}
    />
  );
}
