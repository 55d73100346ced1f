import { useQuery } from '@tanstack/react-query';
import { View } from 'react-native';

import { useObjectUrl } from '@/parts/ui/useObjectUrl';
import { queries } from '@/store/base/queries';
import { outsidePicture, type OutsidePictures } from '@/store/research/outsidePictures';

import { PictureView } from './PictureView';

interface Size {
  width: number;
  height: number;
}

/** A picture from outside, asked once; a quiet frame until it is there, or where there is none. */
export function OutsidePicture(props: { of: OutsidePictures; name: string | null; size: Size }) {
  const { of, name, size } = props;
  const { data } = useQuery(
    {
      queryKey: ['outside picture', of, name],
      queryFn: () => (name === null ? null : outsidePicture(of, name)),
      enabled: name !== null,
      staleTime: Infinity,
    },
    queries,
  );
  return data ? <BlobView blob={data} size={size} /> : <PictureView id={undefined} alt="" style={size} />;
}

/** Bytes that are a picture, drawn by us before. */
export function BlobView({ blob, size, alt = '' }: { blob: Blob; size: Size; alt?: string }) {
  const address = useObjectUrl(blob);
  return address ? (
    <img src={address} alt={alt} style={{ ...size, borderRadius: 8, objectFit: 'cover' }} />
  ) : (
    <View style={size} />
  );
}
