// For tests that mount a page without its parts: buttons stay real as far as the page is concerned.
export const BUTTONS = {
  ActButton: false,
  ATooltip: { template: '<slot />' },
  AButton: { template: '<button><slot /></button>' },
} as const
