package loesscape.server.outside;

/** What brings messages to people. */
interface Post {

    /**
     * Takes a message.
     *
     * @throws OutsideFailed where it was not taken now, and can be tried again
     */
    void deliver(Mail.Message message);
}
