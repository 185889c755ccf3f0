'use client';

export { FailedPage as default } from '@/ui/kit/failed';
