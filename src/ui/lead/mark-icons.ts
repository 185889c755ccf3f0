import { Clock3, ShieldCheck, UserCheck, UserX } from 'lucide-react';

export const MARK_ICONS = {
  here: UserCheck,
  late: Clock3,
  absent: UserX,
  excused: ShieldCheck,
} as const;
