/** A node that follows what was to be taken away. */
export type Follower = { key: string; name: string; what: string };
