/** What a form is called. */
export type FormName =
  'disc' | 'ring' | 'ball' | 'egg' | 'rod' | 'square' | 'rectangle' | 'triangle' | 'other';
