package keentally.desk.model;

import keentally.core.view.Pyramid;
import keentally.study.picture.PictureFile;

/** A sample whose picture is in memory. */
public record OpenSample(String id, PictureFile file, Pyramid pyramid) {}
