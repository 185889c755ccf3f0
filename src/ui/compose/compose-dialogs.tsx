import { useEffect } from 'react';
import { whenIdle } from '@/browser/idle';
import { Dialog } from '../kit/dialog';
import { NOT_FETCHED, usePart } from '../kit/use-part';
import type { Opened, OpenedDialogProps } from './opened-dialog';

interface ComposeDialogsProps extends Omit<OpenedDialogProps, 'opened'> {
  opened: Opened | null;
}

const load = () => import('./opened-dialog');

/** The dialogs of Compose, one at a time. They come after the page, so that they are there without a connection too. */
export function ComposeDialogs({ opened, ...props }: ComposeDialogsProps) {
  const { part, failed, fetchPart } = usePart(load);
  useEffect(() => whenIdle(() => void fetchPart()), [fetchPart]);
  useEffect(() => {
    if (opened) void fetchPart();
  }, [opened, fetchPart]);
  if (!opened) return null;
  if (part) return <part.OpenedDialog {...props} opened={opened} />;
  if (!failed) return null;
  return (
    <Dialog title="Not here yet" onClose={props.onClose}>
      <p role="alert">{NOT_FETCHED}</p>
    </Dialog>
  );
}
