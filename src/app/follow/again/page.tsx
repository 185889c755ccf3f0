import type { Metadata } from 'next';
import { AgainScreen } from '@/ui/follow/again-screen';

export const metadata: Metadata = { title: 'Classes on this device' };

/** Classes that may be done again alone. They are on the device; the server knows nothing of them. */
export default function AgainPage() {
  return <AgainScreen />;
}
