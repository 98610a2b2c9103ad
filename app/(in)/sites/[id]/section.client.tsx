'use client';

import { useRouter } from 'next/navigation';
import { useId, useState } from 'react';
import { FormIssues, TextField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { setSection } from '../../trees/actions';

/** Puts trees of a place into a section, by their tags; an empty name takes them out of theirs. */
export function SectionForm({ siteId, names }: { siteId: string; names: string[] }) {
  const router = useRouter();
  const said = useNotify();
  const list = useId();
  const [section, setName] = useState('');
  const [tags, setTags] = useState('');
  const { busy, issues, send } = useSend(setSection);
  const put = () =>
    send({ siteId, section, tags }, ({ trees }) => {
      const many = `${trees} ${trees === 1 ? 'tree' : 'trees'}`;
      said({ sentence: section.trim() ? `${many} in ${section.trim()}.` : `${many} in no section.` });
      setTags('');
      router.refresh();
    });
  return (
    <div className="mt-2">
      <FormIssues issues={issues} known={['section', 'tags']} />
      <div className="grid gap-x-5 desk:grid-cols-[1fr_1fr_auto] desk:items-end">
        <TextField
          label="Tags, like 1–20, 33"
          path="tags"
          issues={issues}
          maxLength={2000}
          value={tags}
          onChange={setTags}
        />
        <TextField
          label="Section (empty: none)"
          path="section"
          issues={issues}
          maxLength={60}
          list={list}
          value={section}
          onChange={setName}
        />
        <button type="button" className="press mb-4" disabled={busy || !tags.trim()} onClick={put}>
          Put them there
        </button>
      </div>
      <datalist id={list}>
        {names.map((n) => (
          <option key={n} value={n} />
        ))}
      </datalist>
    </div>
  );
}
