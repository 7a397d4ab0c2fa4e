/**
 * What people bring along, told by what is in it: {@link keentally.study.door.Arrival} says what a file is and why it seems so, {@link
 * keentally.study.door.ChannelFiles} which pictures seem to be channels of one sample. Nothing is taken in here.
 */
package keentally.study.door;
