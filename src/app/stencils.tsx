import { StencilsPage } from '@/features/stencils/StencilsPage';

export default StencilsPage;
