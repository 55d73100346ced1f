/** An attic at dusk: paper, ink, moss, brass. Brick red is kept for trouble, slate for information. */
export interface Colours {
  ground: string;
  surface: string;
  raised: string;
  ink: string;
  soft: string;
  line: string;
  moss: string;
  onMoss: string;
  mossTint: string;
  brass: string;
  brassInk: string;
  brassTint: string;
  brick: string;
  onBrick: string;
  brickTint: string;
  slate: string;
  slateTint: string;
}

export const day: Colours = {
  ground: '#F5EFE2',
  surface: '#FFFCF5',
  raised: '#ECE4D2',
  ink: '#2B2721',
  soft: '#60584C',
  line: '#D5C9B2',
  moss: '#3E5A39',
  onMoss: '#FFFFFF',
  mossTint: '#E0E8D6',
  brass: '#E7B53F',
  brassInk: '#6E5008',
  brassTint: '#F8E8BE',
  brick: '#9C3527',
  onBrick: '#FFFFFF',
  brickTint: '#F8DED7',
  slate: '#3C566E',
  slateTint: '#DDE6ED',
};

export const night: Colours = {
  ground: '#1B1E22',
  surface: '#25292E',
  raised: '#30353B',
  ink: '#F0E9DB',
  soft: '#B9B0A0',
  line: '#444A51',
  moss: '#A9C99B',
  onMoss: '#16220F',
  mossTint: '#33402E',
  brass: '#EBBE55',
  brassInk: '#F0CF82',
  brassTint: '#453A1D',
  brick: '#F0A090',
  onBrick: '#2A120D',
  brickTint: '#4A2A24',
  slate: '#A9C3DA',
  slateTint: '#2B3844',
};
