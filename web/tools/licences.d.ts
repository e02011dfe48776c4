import type { Plugin } from 'vite';

export function licences(): Plugin;
