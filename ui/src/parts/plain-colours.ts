// Colours that are values: what is written on a picture, and what a brand's field shows before it is one.
export const WHITE = '#FFFFFF'
export const BLACK = '#000000'
