import './zod-policy';

export * from 'zod/v4';
