import type { OpensFor, Travels } from '@vennet/core/shelf';

export const OPENS_FOR_WORDS: Record<OpensFor, string> = {
  everyone: 'Everyone with the book',
  reviewers: 'Reviewers only',
  author: 'Only me',
};

export const TRAVELS_WORDS: Record<Travels, string> = {
  inside: 'Inside the book',
  beside: 'Beside the book',
  public: 'At a public address',
};
