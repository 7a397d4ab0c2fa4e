/**
 * Groups of points that are alike: {@link keentally.core.cluster.KMeans} parts them, {@link keentally.core.cluster.Silhouette} and
 * {@link keentally.core.cluster.ClusterTrials} say into how many. {@link keentally.core.cluster.PicturePoints} makes points of a picture.
 */
package keentally.core.cluster;
