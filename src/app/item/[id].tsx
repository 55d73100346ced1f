import { ItemSheet } from '@/features/item/ItemSheet';

export default ItemSheet;
