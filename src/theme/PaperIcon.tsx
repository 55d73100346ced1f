/**
 * Stands where Paper looks for an icon font of its own: ours come by way of its settings, so none is shipped.
 */
export default function PaperIcon() {
  return null;
}
