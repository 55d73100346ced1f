export { Categories as default } from '@/features/categories/Categories';
