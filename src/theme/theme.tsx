import { Alegreya_700Bold } from '@expo-google-fonts/alegreya/700Bold';
import { AtkinsonHyperlegibleNext_400Regular } from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular';
import { AtkinsonHyperlegibleNext_600SemiBold } from '@expo-google-fonts/atkinson-hyperlegible-next/600SemiBold';
import { useFonts } from 'expo-font';
import { createContext, useContext, useMemo, type ReactNode } from 'react';
import { useColorScheme, useWindowDimensions, type TextStyle } from 'react-native';
import {
  configureFonts,
  MD3DarkTheme,
  MD3LightTheme,
  PaperProvider,
  type MD3Theme,
} from 'react-native-paper';

import { day, night, type Colours } from './colours';
import { Icon, type IconName } from './Icon';

/** From this width on, parts stand side by side. */
const WIDE = 900;

export const FONT = { text: 'Attic text', strong: 'Attic text strong', heading: 'Attic heading' } as const;

export const SPACE = { xs: 4, s: 8, m: 12, l: 16, xl: 24 } as const;

/** Figures that line up: for every price and measurement. */
export const FIGURES: TextStyle = { fontVariant: ['tabular-nums'] };

const ColoursContext = createContext<Colours>(day);

export function useColours(): Colours {
  return useContext(ColoursContext);
}

export function useWide(): boolean {
  return useWindowDimensions().width >= WIDE;
}

const fonts = configureFonts({
  config: {
    displayLarge: { fontFamily: FONT.heading },
    displayMedium: { fontFamily: FONT.heading },
    displaySmall: { fontFamily: FONT.heading },
    headlineLarge: { fontFamily: FONT.heading },
    headlineMedium: { fontFamily: FONT.heading },
    headlineSmall: { fontFamily: FONT.heading },
    titleLarge: { fontFamily: FONT.heading },
    titleMedium: { fontFamily: FONT.strong },
    titleSmall: { fontFamily: FONT.strong },
    bodyLarge: { fontFamily: FONT.text, fontSize: 17, letterSpacing: 0 },
    bodyMedium: { fontFamily: FONT.text, fontSize: 16, letterSpacing: 0 },
    bodySmall: { fontFamily: FONT.text, fontSize: 14, letterSpacing: 0 },
    labelLarge: { fontFamily: FONT.strong, fontSize: 16, letterSpacing: 0 },
    labelMedium: { fontFamily: FONT.strong, letterSpacing: 0 },
    labelSmall: { fontFamily: FONT.strong, letterSpacing: 0 },
  },
});

function paperTheme(c: Colours, dark: boolean): MD3Theme {
  const base = dark ? MD3DarkTheme : MD3LightTheme;
  return {
    ...base,
    roundness: 2,
    // Made from the theme's own, with other families.
    fonts: fonts as MD3Theme['fonts'],
    colors: {
      ...base.colors,
      primary: c.moss,
      onPrimary: c.onMoss,
      primaryContainer: c.mossTint,
      onPrimaryContainer: c.ink,
      secondary: c.slate,
      onSecondary: c.ground,
      secondaryContainer: c.slateTint,
      onSecondaryContainer: c.ink,
      background: c.ground,
      onBackground: c.ink,
      surface: c.surface,
      onSurface: c.ink,
      surfaceVariant: c.raised,
      onSurfaceVariant: c.soft,
      outline: c.soft,
      outlineVariant: c.line,
      error: c.brick,
      onError: c.ground,
      errorContainer: c.brickTint,
      onErrorContainer: c.ink,
      elevation: {
        level0: 'transparent',
        level1: c.surface,
        level2: c.surface,
        level3: c.surface,
        level4: c.raised,
        level5: c.raised,
      },
    },
  };
}

/** Colours, fonts and icons for everything below it; follows the system's day or night. */
/** Slim, and of the attic's own colours. */
function scrollBars(c: Colours): string {
  return `* { scrollbar-width: thin; scrollbar-color: ${c.soft} transparent; }`;
}

export function Theme({ children }: { children: ReactNode }) {
  const dark = useColorScheme() === 'dark';
  const [ready] = useFonts({
    [FONT.text]: AtkinsonHyperlegibleNext_400Regular,
    [FONT.strong]: AtkinsonHyperlegibleNext_600SemiBold,
    [FONT.heading]: Alegreya_700Bold,
  });
  const colours = dark ? night : day;
  const theme = useMemo(() => paperTheme(colours, dark), [colours, dark]);
  if (!ready) return null;
  return (
    <ColoursContext.Provider value={colours}>
      <style>{scrollBars(colours)}</style>
      <PaperProvider
        theme={theme}
        settings={{
          icon: ({ name, color, size }) => (
            // Only our own parts name icons.
            <Icon name={name as IconName} colour={color ?? colours.ink} size={size} />
          ),
        }}
      >
        {children}
      </PaperProvider>
    </ColoursContext.Provider>
  );
}
