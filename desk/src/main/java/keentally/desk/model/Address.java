package keentally.desk.model;

/**
 * Where the answer of some work belongs: known when it is asked for, and the same however much else is put on the stage meanwhile.
 *
 * @param study the very study, which may be let go of meanwhile
 * @param sampleId may be removed meanwhile
 * @param methodId that is used on the sample
 */
public record Address(OpenStudy study, String sampleId, String methodId) {}
