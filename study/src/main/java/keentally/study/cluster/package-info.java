/**
 * The parts of a run on a cluster of machines that share their files. Come in by {@link keentally.study.cluster.ClusterRun}; what it asks of
 * the cluster's engine is a {@link keentally.study.cluster.Engine}, of which {@link keentally.study.cluster.Slurm} is the one there is.
 */
package keentally.study.cluster;
