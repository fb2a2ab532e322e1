/** Plain colour words and the swatch that stands for each (own choice, sRGB). Longer words are tried first. */
export const colourWords: Readonly<Record<string, string>> = {
  white: '#f7f7f4', ivory: '#f2ead8', cream: '#f1e9d2', ecru: '#e6dcc3', natural: '#ddd3bf', oat: '#d9c7a4', beige: '#cdbb98', sand: '#c9b58c', stone: '#b7a88c', camel: '#b88a55', tan: '#b08a5b',
  brown: '#5b4030', chocolate: '#43302a', walnut: '#4b3a2e', rust: '#a8552f', orange: '#d9772b', apricot: '#ecb98a', peach: '#f0c3a6', coral: '#e0705a', red: '#b3262e', 'dark red': '#7d1f28', burgundy: '#5e1f2d',
  berry: '#7c2946', plum: '#6b3550', purple: '#5b3a78', lilac: '#b9a3cc', lavender: '#c3b8dc', violet: '#6a4c93', pink: '#e39ab0', 'light pink': '#f1cdd6', rose: '#d9a5a0', fuchsia: '#b62d72',
  yellow: '#e8c93a', mustard: '#b98a1f', gold: '#c9a23a', lime: '#b9cf3a', green: '#3c7a4a', 'dark green': '#25452f', olive: '#676b35', moss: '#6d7a4c', sage: '#a3b096', mint: '#bfe0cf', teal: '#1f7f84', turquoise: '#3aa9ad',
  'sea-green': '#2f6f6b', 'light blue': '#b4cde0', 'sky blue': '#9cc4e4', blue: '#2e5fa3', 'dark blue': '#22335c', navy: '#232f4e', indigo: '#2b3a5e', denim: '#3f5878', ink: '#2a3047', slate: '#4a5568',
  grey: '#8b8d94', gray: '#8b8d94', 'light grey': '#c9cbce', 'dark grey': '#46494f', silver: '#c4c6c8', charcoal: '#35373c', black: '#1d1e21',
};
