'use client';

export { FailedForPeople as default } from '@/ui/kit/failed-for-people';
