'use client';

export { default } from '../led-error';
