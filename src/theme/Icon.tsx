import ArrowDown from 'lucide-react-native/icons/arrow-down';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import ArrowUp from 'lucide-react-native/icons/arrow-up';
import BookOpen from 'lucide-react-native/icons/book-open';
import Brush from 'lucide-react-native/icons/brush';
import Camera from 'lucide-react-native/icons/camera';
import Check from 'lucide-react-native/icons/check';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import CircleAlert from 'lucide-react-native/icons/circle-alert';
import Contrast from 'lucide-react-native/icons/contrast';
import Crop from 'lucide-react-native/icons/crop';
import Eraser from 'lucide-react-native/icons/eraser';
import ExternalLink from 'lucide-react-native/icons/external-link';
import Film from 'lucide-react-native/icons/film';
import Handshake from 'lucide-react-native/icons/handshake';
import Images from 'lucide-react-native/icons/images';
import Info from 'lucide-react-native/icons/info';
import Shelves from 'lucide-react-native/icons/library';
import MapPin from 'lucide-react-native/icons/map-pin';
import Package from 'lucide-react-native/icons/package';
import Pencil from 'lucide-react-native/icons/pencil';
import Plus from 'lucide-react-native/icons/plus';
import Redo from 'lucide-react-native/icons/redo-2';
import Turn from 'lucide-react-native/icons/rotate-cw';
import Ruler from 'lucide-react-native/icons/ruler';
import Barcode from 'lucide-react-native/icons/scan-barcode';
import ReadText from 'lucide-react-native/icons/scan-text';
import Search from 'lucide-react-native/icons/search';
import Send from 'lucide-react-native/icons/send';
import Sun from 'lucide-react-native/icons/sun';
import Trash from 'lucide-react-native/icons/trash';
import TriangleAlert from 'lucide-react-native/icons/triangle-alert';
import Undo from 'lucide-react-native/icons/undo-2';
import Wand from 'lucide-react-native/icons/wand-sparkles';
import Rafters from 'lucide-react-native/icons/warehouse';
import X from 'lucide-react-native/icons/x';
import { View } from 'react-native';

const ICONS = {
  up: ArrowUp,
  down: ArrowDown,
  back: ArrowLeft,
  ledger: BookOpen,
  camera: Camera,
  check: Check,
  unfold: ChevronDown,
  forward: ChevronRight,
  alert: CircleAlert,
  outside: ExternalLink,
  pictures: Images,
  info: Info,
  spot: MapPin,
  parcel: Package,
  add: Plus,
  search: Search,
  send: Send,
  today: Sun,
  remove: Trash,
  caution: TriangleAlert,
  undo: Undo,
  write: Wand,
  retype: Pencil,
  close: X,
  stock: Shelves,
  sales: Handshake,
  brush: Brush,
  light: Contrast,
  crop: Crop,
  erase: Eraser,
  film: Film,
  redo: Redo,
  turn: Turn,
  ruler: Ruler,
  barcode: Barcode,
  readText: ReadText,
  attic: Rafters,
};

export type IconName = keyof typeof ICONS;

/** A drawn sign beside words or inside a labelled button: itself always silent. */
export function Icon({ name, colour, size = 22 }: { name: IconName; colour: string; size?: number }) {
  const Drawn = ICONS[name];
  return (
    <View aria-hidden style={{ width: size, height: size }}>
      {Drawn ? <Drawn color={colour} size={size} strokeWidth={1.9} /> : null}
    </View>
  );
}
