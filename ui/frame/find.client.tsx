'use client';

import { Camera as CameraIcon } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { Input } from '@/ui/controls/input.client';
import { readScan } from '@/core/phone/scan';
import { part } from '../controls/part.client';
import { offlinePages } from '../phone/offline-copy.client';

const Camera = part(() => import('../controls/camera.client').then((m) => m.Camera));

/** A tree whose pages this phone holds. */
interface OfflineTree {
  href: string;
  tag: string;
  where: string;
}
const MOST = 8;
const TREE = /^\/trees\/([0-9a-f-]{36})$/;

/** Trees that this phone holds, by their tags. */
function useOfflineTrees(): OfflineTree[] {
  const [trees, setTrees] = useState<OfflineTree[]>([]);
  useEffect(() => {
    void offlinePages().then((all) =>
      setTrees(
        all.flatMap((h): OfflineTree[] => {
          const id = TREE.exec(h.path)?.[1];
          const [, tag, where] = /^(.+?), (.*?)(?: · .*)?$/.exec(h.name ?? '') ?? [];
          return id && tag ? [{ href: `/trees/${id}/treat`, tag, where: where ?? '' }] : [];
        }),
      ),
    );
  }, []);
  return trees;
}

/** The browser asks, not the page: without signal the phone's own copy answers. */
const whole = (to: string) => window.location.assign(to);

/** Finds a tag by typing, by two of its figures among the trees that this phone holds, or by its code before the camera. */
export function Find({ onGo }: { onGo: () => void }) {
  const router = useRouter();
  const held = useOfflineTrees();
  const [typed, setTyped] = useState('');
  const [camera, setCamera] = useState(false);
  const find = (words: string) => {
    onGo();
    router.push(`/trees?${new URLSearchParams({ find: words })}`);
  };
  const part = typed.trim().toLowerCase();
  const near = part.length < 2 ? [] : held.filter((t) => t.tag.toLowerCase().includes(part)).slice(0, MOST);
  const read = (text: string) => {
    const found = readScan(text);
    if (found?.kind === 'tree') {
      onGo();
      whole(`/trees/${found.id}/treat`);
    } else if (found) {
      setCamera(false);
      setTyped(found.words);
      const own = held.find((t) => t.tag.toLowerCase() === found.words.toLowerCase());
      if (own) whole(own.href);
      else find(found.words);
    } else setCamera(false);
  };
  return (
    <>
      <form
        role="search"
        onSubmit={(e) => {
          e.preventDefault();
          find(typed);
        }}
        className="flex flex-wrap gap-3"
      >
        <Input
          name="find"
          aria-label="Tag, street, client or host"
          placeholder="117, or elm quay"
          autoFocus
          className="box min-w-0 flex-1 text-lead"
          autoComplete="off"
          enterKeyHint="search"
          maxLength={80}
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
        <button className="press press-main">Find</button>
      </form>
      {near.length > 0 && (
        <ul className="mt-3" aria-label="On this phone">
          {near.map((t) => (
            <li key={t.href} className="row">
              <a href={t.href} className="flex min-h-14 items-center gap-4">
                <span className="plate-small flex-none">{t.tag}</span>
                <span>{t.where}</span>
              </a>
            </li>
          ))}
        </ul>
      )}
      <div className="mt-3">
        {camera ? (
          <Camera onRead={read} />
        ) : (
          <button type="button" className="press min-h-14 phone:w-full" onClick={() => setCamera(true)}>
            <CameraIcon aria-hidden size={20} /> By its code
          </button>
        )}
      </div>
    </>
  );
}
