package loesscape.core.model;

/** What a section holds. A section on a page can hold further sections; those hold no sections themselves. */
public sealed interface Item extends Node permits Field, Notice, Indicator, Picture, Divider, Overlay, Section {}
