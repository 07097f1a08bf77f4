package loesscape.core.model;

/** What a section holds. */
public sealed interface Item extends Node permits Field, Notice, Indicator {}
