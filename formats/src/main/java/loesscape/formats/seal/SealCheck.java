package loesscape.formats.seal;

import java.io.IOException;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.cert.CertificateException;
import java.security.cert.X509Certificate;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import loesscape.formats.evidence.Trail;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.digitalsignature.PDSignature;
import org.bouncycastle.asn1.cms.Attribute;
import org.bouncycastle.asn1.cms.AttributeTable;
import org.bouncycastle.asn1.cms.ContentInfo;
import org.bouncycastle.asn1.pkcs.PKCSObjectIdentifiers;
import org.bouncycastle.cert.CertException;
import org.bouncycastle.cert.X509CertificateHolder;
import org.bouncycastle.cert.jcajce.JcaX509CertificateConverter;
import org.bouncycastle.cms.CMSException;
import org.bouncycastle.cms.CMSProcessableByteArray;
import org.bouncycastle.cms.CMSSignedData;
import org.bouncycastle.cms.SignerId;
import org.bouncycastle.cms.SignerInformation;
import org.bouncycastle.cms.jcajce.JcaSimpleSignerInfoVerifierBuilder;
import org.bouncycastle.operator.OperatorCreationException;
import org.bouncycastle.operator.jcajce.JcaContentVerifierProviderBuilder;
import org.bouncycastle.tsp.TSPException;
import org.bouncycastle.tsp.TimeStampToken;
import org.bouncycastle.util.Selector;
import org.bouncycastle.util.Store;
import org.jspecify.annotations.Nullable;

/**
 * What the seal of a PDF file says.
 *
 * @param verdict whether it is as it was when it was sealed
 * @param message the same in words
 * @param by who sealed it; empty where it is not known
 * @param at when it was sealed, as its time stamp says; null where it is not known
 * @param trail what the trail in it says; null where there is none
 */
public record SealCheck(
        Verdict verdict,
        String message,
        String by,
        @Nullable Instant at,
        @Nullable Trail trail) {

    /** The name under which the trail is attached to a sealed document. */
    public static final String TRAIL = "trail.json";

    /** The outcome of a check. */
    public enum Verdict {
        /** Sealed by the authority that is known, and whole. */
        SEALED_HERE,
        /** Whole, but sealed by somebody who is not known; what it says of itself is a claim. */
        SEALED_BY_OTHERS,
        /** Not what was sealed. */
        CHANGED,
        NOT_SEALED,
        UNREADABLE
    }

    /**
     * Checks a file.
     *
     * @param root the certificate that is known here; null where none is, and then nobody is known
     */
    public static SealCheck of(byte[] pdf, @Nullable X509Certificate root) {
        return of(pdf, root, null);
    }

    /**
     * Checks a file.
     *
     * @param root the certificate that is known here; null where none is, and then nobody is known
     * @param revocationList what the root has called back, as DER; null for only what the seal itself says of it
     */
    public static SealCheck of(byte[] pdf, @Nullable X509Certificate root, byte @Nullable [] revocationList) {
        try {
            PackedPdf.check(pdf);
        } catch (PackedPdf.TooMuch tooMuch) {
            return without(Verdict.UNREADABLE, String.valueOf(tooMuch.getMessage()));
        }
        try (PDDocument document = Loader.loadPDF(pdf)) {
            List<PDSignature> signatures = document.getSignatureDictionaries();
            if (signatures.isEmpty()) {
                return without(Verdict.NOT_SEALED, "This PDF has no seal.");
            }
            PDSignature last = signatures.getLast();
            return checked(pdf, document, last, root, revocationList);
        } catch (IOException | RuntimeException e) {
            return without(
                    Verdict.UNREADABLE, "This file cannot be read as a PDF; either it is none, or it is damaged.");
        }
    }

    private static SealCheck without(Verdict verdict, String message) {
        return new SealCheck(verdict, message, "", null, null);
    }

    private static SealCheck checked(
            byte[] pdf,
            PDDocument document,
            PDSignature seal,
            @Nullable X509Certificate root,
            byte @Nullable [] revocationList)
            throws IOException {
        int[] range = seal.getByteRange();
        boolean whole = range.length == 4
                && range[0] == 0
                && range[2] > range[1]
                && range[2] + range[3] == pdf.length
                && Arrays.equals(new byte[] {'<'}, Arrays.copyOfRange(pdf, range[1], range[1] + 1));
        if (!whole) {
            return without(
                    Verdict.CHANGED, "Something was added behind the seal, or the seal does not cover all of it.");
        }
        try {
            CMSSignedData signed =
                    new CMSSignedData(new CMSProcessableByteArray(seal.getSignedContent(pdf)), seal.getContents(pdf));
            SignerInformation signer =
                    signed.getSignerInfos().getSigners().iterator().next();
            X509CertificateHolder certificate = certificate(signed.getCertificates(), signer.getSID());
            boolean holds = signer.verify(new JcaSimpleSignerInfoVerifierBuilder().build(certificate));
            if (!holds) {
                return without(Verdict.CHANGED, "The seal does not fit: it was made by something else.");
            }
            if (!isPadded(seal.getContents(pdf), signed)) {
                return without(Verdict.CHANGED, "Something stands behind the signature in the seal.");
            }
            boolean known = isFrom(certificate, root);
            TimeStampToken stamp = stamp(signer);
            if (known && (stamp == null || !isFrom(certificate(stamp.getCertificates(), stamp.getSID()), root))) {
                return without(Verdict.CHANGED, "The time stamp of the seal does not fit.");
            }
            Instant at = stamp == null ? null : time(stamp);
            AttachedEvidence evidence = new AttachedEvidence(document);
            Trail trail = evidence.trail();
            Optional<String> problem = trail == null ? Optional.empty() : evidence.problem(trail);
            if (problem.isPresent()) {
                return without(Verdict.CHANGED, problem.get());
            }
            if (known && root != null && isRevoked(signed, certificate, stamp, at, root, revocationList)) {
                return new SealCheck(
                        Verdict.SEALED_BY_OTHERS,
                        "Nothing was changed since it was sealed, but the certificate it was sealed with had been called back by then: what it says of people and times is a claim, not a fact.",
                        Authority.commonName(certificate),
                        at,
                        trail);
            }
            return new SealCheck(
                    known ? Verdict.SEALED_HERE : Verdict.SEALED_BY_OTHERS,
                    !known
                            ? "Nothing was changed since it was sealed, but it was sealed by somebody who is not known here: what it says of people and times is a claim, not a fact."
                            : at == null
                                    ? "This is exactly what was sealed here. Its time stamp is from outside the time for which its certificate holds, so it does not prove when."
                                    : "This is exactly what was sealed here.",
                    Authority.commonName(certificate),
                    at,
                    trail);
        } catch (CMSException | OperatorCreationException | CertificateException e) {
            return without(Verdict.CHANGED, "Something in this file was changed after it was sealed.");
        }
    }

    private static boolean isRevoked(
            CMSSignedData signed,
            X509CertificateHolder certificate,
            @Nullable TimeStampToken stamp,
            @Nullable Instant at,
            X509Certificate root,
            byte @Nullable [] revocationList)
            throws CMSException, IOException {
        RevocationLists lists = new RevocationLists(root);
        lists.add(signed.getCRLs());
        if (revocationList != null) {
            lists.add(revocationList);
        }
        return lists.isRevoked(certificate, at)
                || (stamp != null && lists.isRevoked(certificate(stamp.getCertificates(), stamp.getSID()), at));
    }

    @SuppressWarnings("unchecked") // the library has it without a type
    private static X509CertificateHolder certificate(Store<X509CertificateHolder> certificates, SignerId of)
            throws CMSException {
        return certificates.getMatches((Selector<X509CertificateHolder>) of).stream()
                .findFirst()
                .orElseThrow(() -> new CMSException("The seal has no certificate"));
    }

    /** Whether only zeros follow the signature in the room that was left for it. */
    private static boolean isPadded(byte[] contents, CMSSignedData signed) throws IOException {
        byte[] encoded = signed.toASN1Structure().getEncoded("DER");
        for (int i = encoded.length; i < contents.length; i++) {
            if (contents[i] != 0) {
                return false;
            }
        }
        return contents.length >= encoded.length && Arrays.equals(encoded, Arrays.copyOf(contents, encoded.length));
    }

    private static boolean isFrom(X509CertificateHolder certificate, @Nullable X509Certificate root) {
        try {
            return root != null && certificate.isSignatureValid(new JcaContentVerifierProviderBuilder().build(root));
        } catch (CertException | OperatorCreationException e) {
            return false;
        }
    }

    /** The time stamp of a signature, if it is about this very signature and whole. */
    private static @Nullable TimeStampToken stamp(SignerInformation signer) {
        AttributeTable unsigned = signer.getUnsignedAttributes();
        Attribute stamp = unsigned == null ? null : unsigned.get(PKCSObjectIdentifiers.id_aa_signatureTimeStampToken);
        if (stamp == null) {
            return null;
        }
        try {
            TimeStampToken token = new TimeStampToken(
                    ContentInfo.getInstance(stamp.getAttrValues().getObjectAt(0)));
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(signer.getSignature());
            SignerInformation stamper = token.toCMSSignedData()
                    .getSignerInfos()
                    .getSigners()
                    .iterator()
                    .next();
            X509CertificateHolder certificate = certificate(token.getCertificates(), token.getSID());
            boolean holds = stamper.verify(new JcaSimpleSignerInfoVerifierBuilder()
                    .build(new JcaX509CertificateConverter()
                            .getCertificate(certificate)
                            .getPublicKey()));
            return holds && Arrays.equals(digest, token.getTimeStampInfo().getMessageImprintDigest()) ? token : null;
        } catch (TSPException | IOException | GeneralSecurityException | CMSException | OperatorCreationException e) {
            return null;
        }
    }

    /** When the signature was there at the latest; null where the stamp's certificate did not hold then, or is for others. */
    private static @Nullable Instant time(TimeStampToken token) {
        try {
            X509CertificateHolder certificate = certificate(token.getCertificates(), token.getSID());
            token.validate(new JcaSimpleSignerInfoVerifierBuilder().build(certificate));
            return token.getTimeStampInfo().getGenTime().toInstant();
        } catch (TSPException | CertificateException | OperatorCreationException | CMSException e) {
            return null;
        }
    }
}
