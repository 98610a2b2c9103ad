'use client';

import { Camera } from 'lucide-react';
import { useState } from 'react';
import { v7 } from 'uuid';
import { Checkbox } from '@/ui/controls/controls';
import { savePhotoHere } from '@/ui/phone/photo.client';
import { useAttachWaiting } from '@/ui/controls/file.client';
import { Input, Select } from '@/ui/controls/input.client';

/** Photos go up at once; where they were taken is left out unless somebody wants it kept. */
export function PhotoField({
  treeId,
  onAdded,
  pins = [],
}: {
  treeId: string;
  onAdded?: (id: string) => void;
  /** Signs that a photo can be pinned to. */
  pins?: { id: string; words: string }[];
}) {
  const [pin, setPin] = useState('');
  const [state, setState] = useState<{ busy: boolean; sentence: string; issue: boolean }>({
    busy: false,
    sentence: '',
    issue: false,
  });
  const [keep, setKeep] = useState(false);
  const [added, setAdded] = useState<string[]>([]);
  const send = async (files: FileList | null) => {
    for (const file of Array.from(files ?? [])) {
      const id = v7();
      setState({ busy: true, sentence: `Sending ${file.name} …`, issue: false });
      try {
        if (file.size > 25_000_000)
          throw new Error(`${file.name} has ${Math.round(file.size / 1e6)} MB; a photo may have 25 MB at most.`);
        const answer = await fetch(
          `/api/photos?${new URLSearchParams({ id, tree: treeId, location: keep ? 'keep' : 'strip', ...(pin ? { sign: pin } : {}) })}`,
          { method: 'POST', body: file },
        );
        const body = (await answer.json()) as { issues?: { message: string }[] };
        if (!answer.ok) throw new Error(body.issues?.[0]?.message ?? 'The photo was not taken.');
        setAdded((a) => [...a, id]);
        onAdded?.(id);
        setState({ busy: false, sentence: 'Photo kept.', issue: false });
      } catch (error) {
        const sent = { id, treeId, sign: pin || null };
        if (error instanceof TypeError && (await savePhotoHere(file, sent).catch(() => false))) {
          onAdded?.(id);
          const place = keep ? ' Where it was taken is not kept with it.' : '';
          setState({
            busy: false,
            sentence: `Kept on this phone; it is sent when there is signal.${place}`,
            issue: false,
          });
          continue;
        }
        setState({
          busy: false,
          sentence:
            error instanceof TypeError
              ? 'No answer from the server; the photo is still on this device. Try again.'
              : (error as Error).message,
          issue: true,
        });
      }
    }
  };
  const take = (input: HTMLInputElement) => void send(input.files).then(() => (input.value = ''));
  const chosen = useAttachWaiting(take);
  return (
    <section aria-label="Photos" className="my-4">
      <div className="flex flex-wrap items-center gap-4">
        <label className="press has-focus-visible:outline-3 has-focus-visible:outline-slate">
          <Camera size={20} aria-hidden /> {state.busy ? 'Sending …' : 'Add a photo'}
          <Input
            type="file"
            accept="image/*"
            capture="environment"
            multiple
            className="sr-only"
            disabled={state.busy}
            ref={chosen}
            onChange={(e) => take(e.target)}
          />
        </label>
        {pins.length > 0 && (
          <Select
            aria-label="What the photo shows"
            className="box w-auto"
            value={pin}
            onChange={(e) => setPin(e.target.value)}
          >
            <option value="">the whole tree</option>
            {pins.map((p) => (
              <option key={p.id} value={p.id}>
                {p.words}
              </option>
            ))}
          </Select>
        )}
        <div className="flex-1 basis-56">
          <Checkbox checked={keep} onChange={setKeep}>
            Keep where it was taken
          </Checkbox>
        </div>
      </div>
      <p role="status" className={`mt-1 font-semibold ${state.issue ? 'text-madder' : ''}`}>
        {state.sentence}
      </p>
      <div className="flex flex-wrap gap-2">
        {added.map((id) => (
          // eslint-disable-next-line @next/next/no-img-element -- already resized, served with its own rights
          <img key={id} src={`/api/photos/${id}`} alt="Photo just added" width={96} />
        ))}
      </div>
    </section>
  );
}
