'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { X } from 'lucide-react';

/** A sheet over the page: from below on a phone, in the middle on a desk. */
export function Sheet({ onClose, title, children }: { onClose: () => void; title: string; children: React.ReactNode }) {
  return (
    <Dialog open onClose={onClose} className="fixed inset-0 z-40">
      <div className="fixed inset-0 bg-ink/40" aria-hidden />
      <div className="fixed inset-0 flex items-start justify-center overflow-y-auto pt-[12vh] phone:items-end phone:pt-0">
        <DialogPanel className="w-full max-w-xl border border-bark bg-sheet p-6 phone:max-h-[85dvh] phone:overflow-y-auto phone:p-4">
          <div className="mb-4 flex items-center justify-between">
            <DialogTitle as="h2">{title}</DialogTitle>
            <button
              type="button"
              onClick={onClose}
              aria-label="Close"
              className="flex size-12 items-center justify-center"
            >
              <X aria-hidden />
            </button>
          </div>
          {children}
        </DialogPanel>
      </div>
    </Dialog>
  );
}
