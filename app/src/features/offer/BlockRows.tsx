import type { Offer } from '@fine-spray/contract';
import { TextField } from '@/ui/field';
import { Rows } from './Rows';

type Block = Offer['blocks'][number];

/** Blocks of text with titles of their own, below the terms. */
export function BlockRows({
  blocks,
  errors,
  path,
  onChange,
}: {
  blocks: readonly Block[];
  errors: Readonly<Record<string, string>>;
  path: string;
  onChange: (blocks: Block[], step: string) => void;
}) {
  return (
    <Rows<Block>
      title="More terms"
      note="Each under a title of its own: guarantee, colours, what the customer does first."
      rows={blocks}
      nameOf={({ title }, index) => `the text ${title === '' ? index + 1 : title}`}
      addLabel="Add a text"
      empty={{ title: '', text: '' }}
      most={20}
      onChange={onChange}
    >
      {({ title, text }, index, put) => (
        <>
          <TextField
            label={`Text ${index + 1}: title`}
            value={title}
            error={errors[`${path}.${index}.title`]}
            onChange={(next) => put({ title: next })}
          />
          <TextField
            label={`Text ${index + 1}`}
            value={text}
            multiline
            error={errors[`${path}.${index}.text`]}
            onChange={(next) => put({ text: next })}
          />
        </>
      )}
    </Rows>
  );
}
